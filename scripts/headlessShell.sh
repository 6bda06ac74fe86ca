#!/bin/sh
# Chromium without windows opens no page by itself, and its driver waits for one.
exec /usr/lib/chromium/chromium-headless-shell "$@" about:blank
