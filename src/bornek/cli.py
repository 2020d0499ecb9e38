"""The command line: serve, seed, compute without a page, backup."""

from __future__ import annotations

import argparse
import json
import sys
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from bornek.app import create_app, spec_of
from bornek.cli_gauges import add_arguments, start_demo_gauges
from bornek.cli_gauges import run as run_gauge
from bornek.cli_people import add_arguments as add_person
from bornek.cli_people import run as run_person
from bornek.core.compute import compute, input_schema
from bornek.core.door import read_json
from bornek.core.errors import BornekError, InputError
from bornek.core.looks import palette_css, verdict_looks
from bornek.core.settings.registry import calculations, kinds
from bornek.demo.seed import seed
from bornek.serve import check_open, serve
from bornek.services.archive.read_archive import is_archive, read_archive
from bornek.services.archive.take_archive import take_archive
from bornek.services.archive.verify_archive import verify_archive
from bornek.services.archive.write_archive import write_archive
from bornek.services.job.verify_file import Verified, verify_file
from bornek.store.blobs import Blobs
from bornek.store.database import Database
from bornek.store.yard_file import back_up, make_yard, open_yard, restore
from bornek.web.shop.unit_type_schema import unit_type_schema

OTHER = {"backup": "--to", "restore": "--from", "archive": "--to", "take-in": "--from"}
"""Commands that name another file, and how."""


def main(argv: list[str] | None = None) -> int:
    args = _parser().parse_args(argv)
    try:
        return int(args.run(args) or 0)
    except BornekError as error:
        print(json.dumps(error.problem(), ensure_ascii=False, indent=1), file=sys.stderr)
        return 2


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="bornek", description=__doc__)
    sub = parser.add_subparsers(required=True)

    def command(name: str, run: Any, words: str) -> argparse.ArgumentParser:
        made = sub.add_parser(name, help=words, description=words)
        made.set_defaults(run=run)
        return made

    command("kinds", _kinds, "List the kinds of setting with the JSON schema of their inputs.")
    one = command("compute", _compute, "Compute one setting from JSON; - reads standard input.")
    one.add_argument("kind")
    one.add_argument("file")
    seal = command(
        "verify", _verify, "Say whether the signatures of an exchange file or a yard's archive still hold."
    )
    seal.add_argument("file", type=Path)
    seal.add_argument(
        "--end", default="", metavar="CODE", help="the end that the build sheet, or the archive, printed"
    )
    for name, run, words in (
        ("serve", _serve, "Serve the application."),
        ("demo", _demo, "Seed the demo yard if the file is new, then serve."),
        ("seed", _seed, "Seed the demo yard into a new file."),
        ("backup", _backup, "Copy the database to --to while it runs."),
        ("restore", _restore, "Put a backup --from in the database's place."),
        ("archive", _archive, "Write everything that the yard holds into one open file, --to."),
        ("take-in", _take_in, "Take an archive --from into a yard that is empty or new."),
        (
            "person",
            run_person,
            "Make an account, set its passphrase anew or end it, at the yard's own machine.",
        ),
    ):
        made = command(name, run, words)
        made.add_argument("--data", type=Path, default=Path("var/bornek.sqlite"))
        if name in ("serve", "demo"):
            made.add_argument("--host", default="127.0.0.1")
            made.add_argument("--port", type=int, default=8460)
            made.add_argument(
                "--allow-host",
                action="append",
                default=[],
                metavar="NAME",
                help="another name under which it answers",
            )
            made.add_argument(
                "--proxy", action="store_true", help="one proxy on this machine stands before it (TLS)"
            )
            made.add_argument(
                "--without-tls", action="store_true", help="open to the network without TLS all the same"
            )
            made.add_argument(
                "--trust-machine",
                action="store_true",
                default=name == "demo",
                help="whoever sits at this machine is taken at their word",
            )
        if name == "person":
            add_person(made)
        if name in OTHER:
            made.add_argument(OTHER[name], dest="other", type=Path, required=True)
    add_arguments(
        command("gauge-sim", run_gauge, "Run a simulated gauge that sends its values over a socket.")
    )
    for name, run, words in (
        ("openapi", _openapi, "Write the OpenAPI document."),
        ("looks", _looks, "Write the page's palette and verdict marks into a folder."),
        ("unit-type-schema", _unit_type_schema, "Write the JSON schema of a unit type's file."),
    ):
        command(name, run, words).add_argument("file", type=Path)
    return parser


def _kinds(_args: argparse.Namespace) -> None:
    rows = [
        {"id": k.id, "version": k.version, "title": k.title, "schema": input_schema(k.id)}
        for k in (*kinds(), *calculations())
    ]
    print(json.dumps(rows, ensure_ascii=False, indent=1))


def _compute(args: argparse.Namespace) -> None:
    try:
        text = sys.stdin.read() if args.file == "-" else Path(args.file).read_text(encoding="utf-8")
    except (OSError, ValueError) as error:
        raise InputError(
            f"{args.file} could not be read: {error}.",
            field="file",
            next_step="Give a JSON file, or - for standard input.",
        ) from error
    print(json.dumps(compute(args.kind, read_json(text)), ensure_ascii=False, indent=1))


def _verify(args: argparse.Namespace) -> int:
    """0 where every signature holds and the end is the one that was kept, else 1."""
    data, today = _bytes(args.file), datetime.now(UTC).date()
    jobs, end = verify_archive(data, today) if is_archive(data) else ([verify_file(data, today)], "")
    for job in jobs:
        _say_seals(job)
    if end:
        print(f"The archive ends at {end}")
    since = next(((j, n) for j in jobs if (n := j.rows_since(args.end)) is not None), None)
    same = not args.end or since is not None or args.end == end
    if since is not None and args.end:
        print(_told_since(*since))
    elif args.end:
        print("The end is the one given." if same else f"CHANGED: the end given is {args.end}.")
    else:
        print(
            "Nothing shows that the whole file was not made anew: give --end with the code of the build sheet."
        )
    return 0 if same and not any(s.broken for job in jobs for s in job.seals) else 1


def _told_since(job: Verified, rows: int) -> str:
    if not rows:
        return f"The end given is that of {job.tag}: nothing of it was changed."
    return f"The end given is the one that {job.tag} had {rows} rows ago: nothing up to there was changed."


def _say_seals(job: Verified) -> None:
    for seal in job.seals:
        state = "; ".join(seal.broken) or "holds"
        print(f"{seal.setting}: signed by {seal.by} ({seal.proof}), {seal.at[:16]}: {state}")
    if not job.seals:
        print("Nothing is signed here.")
    print(f"{job.tag} ends at {job.end or 'nothing'}")


def _bytes(path: Path) -> bytes:
    try:
        return path.read_bytes()
    except OSError as error:
        raise InputError(
            f"{path} could not be read: {error.strerror}.", field="file", next_step="Give an exchange file."
        ) from error


def _serve(args: argparse.Namespace) -> None:
    check_open(args.host, args.without_tls)
    app = create_app(
        open_yard(args.data),
        bound=args.host,
        allowed_hosts=tuple(args.allow_host),
        trusts=args.trust_machine,
        proxied=args.proxy,
    )
    serve(app, args.host, args.port, args.trust_machine, args.proxy)


def _seed(args: argparse.Namespace) -> None:
    make_yard(args.data, seed)


def _demo(args: argparse.Namespace) -> None:
    if not args.data.exists():
        _seed(args)
    gauges = start_demo_gauges()
    _serve(args)
    for gauge in gauges:
        gauge.close()


def _backup(args: argparse.Namespace) -> None:
    back_up(args.data, args.other)
    print(f"Backed up to {args.other}")


def _restore(args: argparse.Namespace) -> None:
    kept = restore(args.data, args.other)
    if kept:
        print(f"What was there is kept in {kept}")
    print(f"Restored from {args.other}")


def _archive(args: argparse.Namespace) -> None:
    if args.other.exists():
        raise InputError(f"{args.other} is there already.", field="to", next_step="Name a new file.")
    database = open_yard(args.data)
    with database.reading() as session:
        data = write_archive(session, Blobs(database.files))
    database.close()
    args.other.write_bytes(data)
    print(f"Everything is in {args.other}. It ends at {read_archive(data).end}: keep this code elsewhere.")


def _take_in(args: argparse.Namespace) -> None:
    archive = read_archive(_bytes(args.other))
    if not args.data.exists():
        make_yard(args.data, lambda session, files: take_archive(session, files, archive))
    else:
        database = open_yard(args.data)
        with database.writing() as session:
            take_archive(session, Blobs(database.files), archive)
        database.close()
    print(f"{archive.yard}: {len(archive.jobs)} jobs are in {args.data}")


def _openapi(args: argparse.Namespace) -> None:
    _write(args.file, spec_of(create_app(Database(":memory:"), trusts=True)))


def _unit_type_schema(args: argparse.Namespace) -> None:
    _write(args.file, unit_type_schema())


def _looks(args: argparse.Namespace) -> None:
    """The folder is named like a file: palette.css and verdicts.json go beside each other in it."""
    args.file.mkdir(parents=True, exist_ok=True)
    (args.file / "palette.css").write_text(palette_css(), encoding="utf-8")
    _write(args.file / "verdicts.json", verdict_looks())


def _write(file: Path, document: dict[str, Any]) -> None:
    file.write_text(
        json.dumps(document, ensure_ascii=False, indent=1, sort_keys=True) + "\n", encoding="utf-8"
    )


if __name__ == "__main__":
    sys.exit(main())
