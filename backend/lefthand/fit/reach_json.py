"""`jolf-fit/1` in, `jolf-reach/1` out."""

from typing import Any

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.sizes import STRING_LENGTHS
from lefthand.fit.reach import TURN, Margin, Reach
from lefthand.music.hands import bass_frame, hand_of, usual_frame
from lefthand.values.errors import InputError
from lefthand.values.fields import Fields
from lefthand.values.vocabulary import Instrument

FIT_FORMAT = "jolf-fit/1"
REACH_FORMAT = "jolf-reach/1"
# A hand's span, mm: from a small child's to more than any hand's.
SPANS = (20, 300)
MEASURED = "reach.exceeded"
HIGHEST_POSITION = 5


def parse_fit(data: Any, catalogue: Catalogue) -> Reach:
    """Raises InputError naming the field."""
    fields = Fields(data)
    if fields.text("format") != FIT_FORMAT:
        raise InputError("format", f"expected {FIT_FORMAT!r}")
    instrument = fields.choice("instrument", Instrument)
    sizes = catalogue.sizes[instrument]
    length = _string_length(fields, sizes)
    position = fields.whole("position", 0, HIGHEST_POSITION, default=1)
    frame = fields.text("frame", default="") or _usual(instrument, fields)
    span = fields.number("span", *SPANS, default=None)
    error = fields.number("span_error", 0, 50, default=None)
    fields.done()
    if error is not None and span is None:
        raise InputError("span_error", "given without a span")
    hand = hand_of(instrument, position, frame)
    return Reach(instrument, length, position, frame, hand, sizes, span, error)


def _usual(instrument: Instrument, fields: Fields) -> str:
    """The frame where none is named: the bass's by its fingering."""
    if instrument is not Instrument.BASS or "bass_fingering" not in fields:
        return usual_frame(instrument)
    chosen = fields.text("bass_fingering")
    if chosen not in ("124", "1234"):
        raise InputError("bass_fingering", f"expected 124 or 1234, got {chosen!r}")
    return bass_frame({"bass_fingering": chosen})


def _string_length(fields: Fields, sizes: Any) -> float:
    """As measured, else as usual for the size."""
    size = fields.text("size", default="")
    if size and size not in sizes:
        raise InputError("size", f"expected one of {', '.join(sizes)}, got {size!r}")
    measured: float | None = fields.number("string_length", *STRING_LENGTHS, default=None)
    if measured is not None:
        return measured
    if not size:
        raise InputError("string_length", "expected it in mm, or a size")
    return float(sizes[size])


def reach_json(reach: Reach) -> dict[str, Any]:
    """Lengths in mm to a tenth; what the span alone can tell is null without one."""
    margin, turned = reach.margin, reach.turned
    return {
        "format": REACH_FORMAT,
        "instrument": reach.instrument.value,
        "string_length": reach.string_length,
        "position": reach.position,
        "frame": reach.frame,
        "needed": round(reach.needed, 1),
        "span": reach.span,
        "margin": margin and _margin_json(margin),
        "first_place": reach.first_place,
        "turn": turned
        and {"mm": list(TURN), "fits_at_least": turned[0].fits, "fits_at_most": turned[1].fits},
        "sizes": [
            {
                "size": size,
                "string_length": length,
                "needed": round(reach.needed_on(length), 1),
                "margin": of_size and _margin_json(of_size),
            }
            for size, (length, of_size) in reach.by_size.items()
        ],
        "tapes": [
            {
                "finger": finger,
                "semitones": reach.semitones[finger],
                "from_nut": round(at, 1),
                "cents_per_mm": round(reach.cents_per_mm[finger], 2),
            }
            for finger, at in reach.tapes.items()
        ],
        "observations": _observations(reach),
    }


def _margin_json(margin: Margin) -> dict[str, Any]:
    return {"mm": round(margin.mm, 1), "percent": round(margin.percent, 1), "fits": margin.fits}


def _observations(reach: Reach) -> dict[str, Any]:
    """As a case takes it."""
    if reach.margin is None:
        return {}
    found: dict[str, Any] = {"value": round(reach.margin.percent, 1)}
    if reach.margin_error is not None:
        found["spread"] = round(reach.margin_error, 1)
    return {MEASURED: found}
