#!/bin/sh
# What a page hands out is left in the folder the browser is started in: not among the files of the program.
cd "${TMPDIR:-/tmp}" || exit 1
# Chromium without windows opens no page by itself, and its driver waits for one.
exec /usr/lib/chromium/chromium-headless-shell "$@" about:blank
