"""The time zone of this computer, in which the studio's days begin."""

import os
from pathlib import Path
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

from django.core.exceptions import ImproperlyConfigured

USUAL = "UTC"


def system_zone(
    given: str | None = None,
    name_file: Path = Path("/etc/timezone"),
    zone_link: Path = Path("/etc/localtime"),
) -> str:
    """The zone that TZ names, or that the system is set to; UTC where neither says.

    Raises ImproperlyConfigured for a TZ that names no zone.
    """
    given = os.environ.get("TZ", "") if given is None else given
    if given:
        name = given.removeprefix(":")
        if not _is_zone(name):
            raise ImproperlyConfigured(
                f"TZ is {given!r}, which names no time zone; set it to one such as Europe/Oslo"
            )
        return name
    found = (_named_in(name_file), _linked_from(zone_link))
    return next((name for name in found if name and _is_zone(name)), USUAL)


def _is_zone(name: str) -> bool:
    try:
        ZoneInfo(name)
    except (ZoneInfoNotFoundError, ValueError, OSError):
        return False
    return True


def _named_in(file: Path) -> str:
    try:
        return file.read_text(encoding="utf-8").strip()
    except (OSError, UnicodeDecodeError):
        return ""


def _linked_from(link: Path) -> str:
    try:
        target = str(link.readlink())
    except OSError:
        return ""
    return target.partition("zoneinfo/")[2]
