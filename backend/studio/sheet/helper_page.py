"""The page for whoever sits beside a player at home and reads no music."""

from collections.abc import Mapping, Sequence
from typing import Any

from studio.sheet.sheet import Sheet

# The words are ours; what they say is common practice, no source.
BETTER_NOT = (
    "Do not bend, press or pull a finger, the thumb or the wrist with your own hand.",
    "Do not say “press harder” or “sit still”. Say what you would like to see.",
    "Do not go on when it hurts, tingles or tires, not even to the end of the line.",
    "Do not make up for a day that was missed.",
    "Do not correct the notes at the same time: this week is for one thing.",
)


def helper_page(sheet: Sheet, items: Sequence[Mapping[str, Any]]) -> dict[str, Any]:
    """`items`: the sheet's exercises as the template reads them."""
    return {
        "title": f"For {sheet.first_name}’s helper",
        "exercises": [
            {
                "name": item["name"],
                "dose": ", ".join(part for part in (item["dose"], item["each"]) if part),
                "see": each.brief.see[0].upper() + each.brief.see[1:],
                "stop": each.brief.stop,
                "pictures": item["pictures"],
                "moves": item["moves"],
            }
            for each, item in zip(sheet.items, items, strict=True)
        ],
        "columns": [
            {"title": "Say", "lines": _say(sheet.one.ask)},
            {"title": "Better not", "lines": list(BETTER_NOT)},
        ],
    }


def _say(ask: str) -> list[str]:
    """Sentences to be said as they stand."""
    return [
        "“Show me the first one. I look at your hand, not at the notes.”",
        "“There, that was it!” as soon as you see it.",
        "“Let go, shake the hand out, then once more.” when it was not there.",
        "“Enough for today.” when the numbers are done. More is not better.",
        f"Afterwards: “{ask}”",
    ]
