#!/bin/sh
# In a locale without letters beyond ASCII, Java cannot even name a file that has them.
case "${LC_ALL:-${LC_CTYPE:-${LANG:-}}}" in
  *[Uu][Tt][Ff]-8 | *[Uu][Tt][Ff]8) ;;
  *) export LC_ALL=C.UTF-8 ;;
esac
exec /opt/pentacell/bin/pentacell "$@"
