"""The span a player's instrument asks for, against the span of the player's hand."""

from dataclasses import dataclass
from datetime import date

from lefthand import load_catalogue, parse_fit
from lefthand.fit.reach import Reach
from lefthand.fit.reach_json import FIT_FORMAT
from lefthand.values.said import said
from lefthand.values.vocabulary import Instrument
from lefthand.words import told
from studio.memory.findings import way_of_teaching
from studio.models import Observation, Player

REACH = "reach.exceeded"


def reach_of(
    player: Player, span: float | None, string_length: float | None, *, on: date | None = None
) -> Reach | None:
    """In first position with the usual frame; lengths in mm. Where no string length is given it is
    that of the newest record of the fit, else the usual one of its size; None where neither is
    known. `on`: with the fit of that day. Raises InputError naming span or string_length."""
    string = (
        _string_known(player, on) if string_length is None else {"string_length": string_length}
    )
    if not string:
        return None
    asked: dict[str, str | float] = {
        "format": FIT_FORMAT,
        "instrument": player.instrument,
        **string,
    }
    if span is not None:
        asked["span"] = span
    ways = way_of_teaching(player)
    if player.instrument == Instrument.BASS and "bass_fingering" in ways:
        asked["bass_fingering"] = ways["bass_fingering"]
    return parse_fit(asked, load_catalogue())


@dataclass(frozen=True)
class MeasuredSpan:
    """mm, and the lesson's day in which it was measured."""

    span: float
    on: date


def measured_span(player: Player, *, before: date | None = None) -> MeasuredSpan | None:
    """The span as it was last measured as a number: what the string of that day asked for, and how
    much more or less the hand had. None where one of them was not written down. `before`: in
    lessons before that day."""
    found = Observation.objects.filter(lesson__player=player, evidence=REACH)
    if before is not None:
        found = found.filter(lesson__date__lt=before)
    measured = found.order_by("-lesson__date").values_list("entered", "lesson__date")
    for entered, on in measured:
        percent = entered.get("value") if isinstance(entered, dict) else None
        if percent is None:
            continue
        reach = reach_of(player, None, None, on=on)
        if reach is not None:
            return MeasuredSpan(round(reach.needed * (1 + percent / 100), 1), on)
    return None


def reach_words(player: Player, on: date) -> str:
    """What size or setting would fit, in a sentence for the week of whoever has a short reach."""
    known = measured_span(player)
    reach = reach_of(player, known.span, None, on=on) if known else None
    if known is None or reach is None or reach.margin is None:
        return told("reach-measure")
    span = said("reach-with", mm=known.span, on=known.on)
    if reach.margin.fits:
        return told("reach-fits", **{"with": span})
    if reach.a_turn_is_enough:
        return told("reach-turn", **{"with": span})
    age = None if player.birth_year is None else on.year - player.birth_year
    size = reach.size_that_fits(age)
    if size is not None:
        return told("reach-size", size=size, **{"with": span})
    place = reach.first_place
    if place is not None:
        return told("reach-place", semitones=place, **{"with": span})
    return told("reach-none", **{"with": span})


def _string_known(player: Player, on: date | None = None) -> dict[str, str | float]:
    """The newest string length, or size that has a usual one, that was written down; `on`: up to
    that day."""
    sizes = load_catalogue().sizes[Instrument(player.instrument)]
    for setup in reversed(player.setups.all()):
        if on is not None and setup.date > on:
            continue
        if setup.string_length is not None:
            return {"string_length": setup.string_length}
        if setup.size in sizes:
            return {"size": setup.size}
    return {}
