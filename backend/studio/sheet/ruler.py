"""A paper ruler and tape guide at true size: the board, the frame's stops and the hand's span."""

import json
import math
from pathlib import Path
from typing import Any

from lefthand.drawing.anatomy import neck_sizes
from lefthand.fit.reach import Reach
from studio.paper.setting import Paper, set_pdf

TEMPLATE = Path(__file__).with_name("ruler.typ")

ROOM = 200.0  # mm of the strip that fit on either paper
BELOW = 14.0  # mm after the last stop
ABOVE = 20.0  # mm before the first, where the nut is off the page
TICK = 5


def ruler_pdf(reach: Reach, paper: Paper = Paper.A4) -> bytes:
    """One page, to be printed without scaling."""
    return set_pdf(TEMPLATE, {"ruler": json.dumps(ruler_data(reach)), "paper": paper.value})


def ruler_data(reach: Reach) -> dict[str, Any]:
    """Lengths in mm, those along the string from the nut. `from`: where the strip begins."""
    stops = reach.tapes
    first, last = min(stops.values()), max(stops.values())
    start = 0.0 if last + BELOW <= ROOM else math.floor((first - ABOVE) / TICK) * TICK
    height = min(ROOM, last + BELOW - start)
    neck = neck_sizes()[reach.instrument]
    near, far = neck.width
    at_last = (near + (far - near) * last / 100) * reach.string_length / neck.string
    return {
        "instrument": reach.instrument.words,
        "string": _told(reach.string_length),
        "frame": f"{'half' if reach.position == 0 else 'first'} position"
        if reach.position < 2
        else f"position {reach.position}",
        "board": round(at_last, 1),
        "from": start,
        "height": round(height, 2),
        "ticks": list(range(int(start), int(start + height) + 1, TICK)),
        "tapes": [
            {"finger": str(finger), "at": at, "words": _told(at)} for finger, at in stops.items()
        ],
        "spans": _spans(reach),
        "note": _note(reach),
    }


def _spans(reach: Reach) -> list[dict[str, Any]]:
    spans = [{"mm": reach.needed, "words": "the frame needs", "told": _told(reach.needed)}]
    if reach.span is not None:
        spans.append(
            {"mm": reach.span, "words": "the hand spans easily", "told": _told(reach.span)}
        )
    return spans


def _note(reach: Reach) -> str:
    finger = max(reach.cents_per_mm)
    cents = reach.cents_per_mm[finger]
    note = f"Near finger {finger} one millimetre changes the note by about {cents:.0f} cents."
    margin = reach.margin
    if margin is None or margin.fits:
        return note
    short = f"The frame asks for {_told(-margin.mm)} mm more than the hand spans easily."
    return f"{short} Do not stretch it cold: let the hand turn, or let the first finger go. {note}"


def _told(mm: float) -> str:
    return f"{mm:.1f}".removesuffix(".0")
