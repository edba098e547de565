"""A paper ruler and tape guide at true size: the board, the frame's stops and the hand's span."""

import json
import math
from pathlib import Path
from typing import Any

from lefthand.drawing.anatomy import neck_sizes
from lefthand.fit.reach import Reach
from lefthand.values.said import said
from lefthand.words import told
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
        "says": _says(reach, start),
        "board": round(at_last, 1),
        "from": start,
        "height": round(height, 2),
        "ticks": list(range(int(start), int(start + height) + 1, TICK)),
        "tapes": [
            {"finger": str(finger), "at": at, "words": told("ruler-tape", mm=_told(at))}
            for finger, at in stops.items()
        ],
        "spans": _spans(reach),
        "note": _note(reach),
    }


def _spans(reach: Reach) -> list[dict[str, Any]]:
    spans = [{"mm": reach.needed, "words": told("ruler-needs"), "told": _told(reach.needed)}]
    if reach.span is not None:
        spans.append({"mm": reach.span, "words": told("ruler-spans"), "told": _told(reach.span)})
    return spans


def _note(reach: Reach) -> str:
    finger = max(reach.cents_per_mm)
    cents = reach.cents_per_mm[finger]
    margin = reach.margin
    if margin is None or margin.fits:
        return told("ruler-note", finger=finger, cents=round(cents))
    return told("ruler-short", finger=finger, cents=round(cents), mm=_told(-margin.mm))


def _says(reach: Reach, start: float) -> dict[str, str]:
    frame = said("ruler-frame", position=reach.position)
    string = _told(reach.string_length)
    return {
        "title": told("ruler-title"),
        "heading": told("ruler-heading"),
        "of": told("ruler-of", instrument=reach.instrument.words, string=string, frame=frame),
        "scale": told("ruler-scale"),
        "cut": told("ruler-cut", **{"from": start}) if start else told("ruler-cut-nut"),
    }


def _told(mm: float) -> str:
    return f"{mm:.1f}".removesuffix(".0")
