"""The page for whoever sits beside a player at home and reads no music."""

from collections.abc import Mapping, Sequence
from typing import Any

from lefthand.values.wording import upper_first
from lefthand.words import beside, told
from studio.sheet.sheet import Sheet

SAY = ("helper-say-first", "helper-say-there", "helper-say-once-more", "helper-say-enough")
BETTER_NOT = (
    "helper-not-bend",
    "helper-not-harder",
    "helper-not-on",
    "helper-not-make-up",
    "helper-not-notes",
)


def helper_page(sheet: Sheet, items: Sequence[Mapping[str, Any]]) -> dict[str, Any]:
    """`items`: the sheet's exercises as the template reads them."""
    after = told("helper-say-after", ask=sheet.one.ask)
    return {
        "title": told("helper-title", name=sheet.first_name),
        "exercises": [
            {
                "name": item["name"],
                "dose": beside(part for part in (item["dose"], item["each"]) if part),
                "see": upper_first(each.brief.see),
                "stop": each.brief.stop,
                "pictures": item["pictures"],
                "moves": item["moves"],
            }
            for each, item in zip(sheet.items, items, strict=True)
        ],
        "columns": [
            {"title": told("helper-say"), "lines": [*map(told, SAY), after]},
            {"title": told("helper-not"), "lines": [*map(told, BETTER_NOT)]},
        ],
    }
