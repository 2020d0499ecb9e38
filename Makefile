# Bornek. `make` lists its targets.
SHELL := /bin/bash
PYTHON ?= python3
PY := .venv/bin/python
DATA ?= var/bornek.sqlite
HOST ?= 127.0.0.1
PORT ?= 8460
# The one that comes with Python 3.11 takes nearly twice as long: it weighs every file ever made of a package anew.
PIP := pip==26.3
# More for the application, as SERVE=--without-tls with HOST=0.0.0.0.
SERVE ?=
PAGE := src/bornek/page/index.html
# What was compiled once is kept, whatever the machine says: a third of a start is compiling.
export PYTHONDONTWRITEBYTECODE :=

.PHONY: help
help: ## This list
	@grep -hE '^[a-z-]+:.*##' $(MAKEFILE_LIST) | sed -E 's/:[^#]*##/\t/' | expand -t 18

.PHONY: demo
demo: setup build ## Everything set up, the demo yard seeded, the application served
	@exec .venv/bin/bornek demo --data $(DATA) --host $(HOST) --port $(PORT) $(SERVE)

.PHONY: demo-reset
demo-reset: setup ## The demo yard afresh (the old file is kept as a backup)
	@if [ -e $(DATA) ]; then .venv/bin/bornek backup --data $(DATA) --to var/before-reset-$$(date +%Y%m%d-%H%M%S).sqlite && rm -f $(DATA) $(DATA)-wal $(DATA)-shm; fi
	@.venv/bin/bornek seed --data $(DATA) && echo "The demo yard is fresh: make demo"

.PHONY: test
test: ## Everything that CI checks: set-up and static checks side by side, then the tests on three workers
	@$(MAKE) --no-print-directory -j4 --output-sync=target setup browser types-python build types-page lint-page drift lint-python rules
	@$(MAKE) --no-print-directory pytest

.PHONY: setup
setup: .stamps/python .stamps/node ## Python and Node packages, from the lock files

.stamps/python: requirements.lock pyproject.toml
	@mkdir -p .stamps
	@test -x $(PY) || $(PYTHON) -m venv .venv || { rm -rf .venv; bash tools/apt.sh python3-venv && $(PYTHON) -m venv .venv; }
	@$(PY) -m pip install -q --disable-pip-version-check --no-compile $(PIP)
	@$(PY) -m pip install -q --disable-pip-version-check --no-compile -r requirements.lock
	@$(PY) -m pip install -q --disable-pip-version-check --no-deps -e .
	@touch $@

.stamps/node: frontend/package-lock.json
	@mkdir -p .stamps
	@cd frontend && npm ci --silent --no-audit --no-fund
	@touch $@

.PHONY: browser
browser: ## Debian's Chromium without windows, or else the whole one
	@command -v chromium-headless-shell >/dev/null || bash tools/apt.sh chromium-headless-shell || command -v chromium >/dev/null || bash tools/apt.sh chromium

.PHONY: build
build: $(PAGE) ## The page, into the package

$(PAGE): .stamps/node $(shell find frontend/src frontend/public frontend/index.html frontend/vite.config.ts -type f 2>/dev/null)
	@cd frontend && node_modules/.bin/vite build --logLevel warn

.PHONY: lint lint-python lint-page
lint: lint-python lint-page ## ruff, prettier, eslint
lint-python: .stamps/python
	@.venv/bin/ruff check && .venv/bin/ruff format --check -q
lint-page: .stamps/node
	@cd frontend && node_modules/.bin/prettier --check --log-level warn src && node_modules/.bin/eslint . --max-warnings 0

.PHONY: types types-python types-page
types: types-python types-page ## mypy strict and vue-tsc strict
types-python: .stamps/python
	@.venv/bin/mypy
types-page: .stamps/node
	@cd frontend && node_modules/.bin/vue-tsc --noEmit

.PHONY: rules
rules: .stamps/python ## Import rules of the rooms
	@.venv/bin/lint-imports --no-cache

.PHONY: api
api: setup ## Write docs/openapi.json, its TypeScript types, the unit types' schema, palette and verdict marks
	@$(PY) tools/declared.py docs frontend/src/styles && cd frontend && npm run -s api

.PHONY: drift
drift: setup ## Fail if the API document or its types are not the committed ones
	@mkdir -p var && $(PY) tools/declared.py var var/looks
	@for f in openapi.json unit-type.schema.json; do cmp var/$$f docs/$$f || { echo "docs/$$f has drifted: make api"; exit 1; }; done
	@for f in palette.css verdicts.json; do cmp var/looks/$$f frontend/src/styles/$$f || { echo "The page's palette or verdict marks have drifted: make api"; exit 1; }; done
	@cd frontend && node_modules/.bin/openapi-typescript ../docs/openapi.json -o ../var/schema.d.ts --default-non-nullable=false >/dev/null && cmp ../var/schema.d.ts src/api/schema.d.ts || { echo "The API types have drifted: make api"; exit 1; }

.PHONY: pytest
pytest: setup build ## The tests alone: three workers keep two cores busy while one waits for a page or a server
	@.venv/bin/pytest -n 3 --dist loadgroup

.PHONY: wide
wide: setup browser build ## All tests: what CI runs, every journey and case in the browser, and laws at more length
	@.venv/bin/pytest -n 3 --dist loadgroup -m ""

.PHONY: fuzz
fuzz: setup ## The API and the drawing of units fuzzed at length: 200 examples each
	@BORNEK_FUZZ=200 .venv/bin/pytest -n 2 tests/web/test_fuzz.py tests/core/test_any_definition.py

.PHONY: format
format: setup ## Put the code in its format
	@.venv/bin/ruff check --fix -q; .venv/bin/ruff format -q; cd frontend && node_modules/.bin/prettier --write --log-level warn src

.PHONY: bench
bench: setup browser build ## Benchmarks: figures and ratios, never asserted
	@$(PY) bench/api.py && $(PY) bench/paint.py && $(PY) bench/kills.py && $(PY) bench/advice.py && $(PY) bench/section.py && $(PY) bench/mesh.py && $(PY) bench/train.py

.PHONY: bench-advice
bench-advice: setup ## What the advisor says against what comes true; planted slips; memory; preload; hostile inputs
	@$(PY) bench/calibration.py && $(PY) bench/slips.py && $(PY) bench/memory.py && $(PY) bench/preload.py && $(PY) bench/fuzz.py

.PHONY: bench-typed
bench-typed: setup build ## Two hundred random walks of taps, keys and reloads: nothing typed is lost or joined
	@PYTHONPATH=tests:tests/browser:tools:bench $(PY) bench/typed.py

.PHONY: mutants
mutants: setup ## Whether the tests of ROOM (advice, settings, parts, windows, services) notice 60 changes
	@$(PY) tools/mutate.py $(ROOM)

.PHONY: written
written: setup ## Writes down again what every kind of setting declares and says; read the change before you keep it
	@$(PY) tests/written.py

.PHONY: bench-yard
bench-yard: setup ## A yard of 3,000 jobs and 100,000 parts: fills it for minutes, then times board and search
	@$(PY) bench/scale.py

.PHONY: screenshots
screenshots: setup browser build ## Refresh docs/screenshots from the demo data
	@$(PY) tools/screenshots.py

.PHONY: dev
dev: setup ## The API and the page with hot reload
	@trap 'kill 0' EXIT; .venv/bin/bornek demo --data $(DATA) --port $(PORT) & cd frontend && BORNEK_API=http://127.0.0.1:$(PORT) node_modules/.bin/vite

.PHONY: backup
backup: setup ## Copy the database to TO=file while it runs
	@.venv/bin/bornek backup --data $(DATA) --to $(or $(TO),var/backup-$(shell date +%Y%m%d-%H%M%S).sqlite)

.PHONY: restore
restore: setup ## Put FROM=file in the database's place (stop the application first)
	@.venv/bin/bornek restore --data $(DATA) --from $(FROM)
