#!/usr/bin/env bash
# Installs Debian packages, as root or through sudo; says what to do where it cannot.
set -euo pipefail
as=""
if [ "$(id -u)" != 0 ]; then
  command -v sudo >/dev/null || { echo "Please have these Debian packages installed: $*" >&2; exit 1; }
  as=sudo
fi
# one at a time: a set-up may ask for two packages at once
exec 9>"${TMPDIR:-/tmp}/bornek-apt-$(id -u).lock"
flock 9
$as apt-get update -qq
$as env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >/dev/null
