"""What a note asks of the standing hand: letting go, each finger, its place, chords, stretches."""

from collections.abc import Iterator
from dataclasses import replace

from lefthand.fit.stops import span_needed
from lefthand.passage.demand import (
    HIGH_FROM,
    STRINGS,
    Demand,
    Here,
    Run,
    finger_said,
    held_to,
    position_said,
)
from lefthand.passage.places import Place
from lefthand.values.said import said

AGAIN_WITHIN = 1.5  # s
HELD_FROM = 0.8  # s
FAR_OVER = 0.08  # of what the hand has at ease: less cannot be told from how a span is measured
SHARES = {True: {1: 0.42, 2: 0.72, 3: 1.0}, False: {1: 0.36, 2: 0.68, 3: 1.0}}  # of the span
FIRST_OPENS = {1: 1.7, 2: 1.25, 3: 1.25}  # cello and bass: the first opens farther


def letting_go(here: Here, run: Run) -> Iterator[Demand]:
    ease, finger = here.whose.ease, here.lead.finger
    if not here.stopped:
        return
    over = max(run.seconds / ease.seconds, run.stops / ease.notes) - 1
    says = said("demand-no-release", seconds=round(run.seconds), stops=run.stops)
    weight = held_to(here.note.seconds, 0.05, 1.0)
    yield here.demand("no_release", held_to(over, 0, 3) * weight, finger, says)
    if here.haste > 0:
        says = said("demand-fast", rate=f"{here.rate:.1f}", calm=f"{ease.calm:g}")
        yield here.demand("fast", 0.25 * here.haste, finger, says)


def of_finger(here: Here, place: Place, run: Run) -> Iterator[Demand]:
    finger, name, seconds = place.finger, finger_said(place.finger), here.note.seconds
    yield here.demand("own.played", 1.0, finger, said("demand-played", finger=name))
    # A note that is repeated is one that is held on, bar by bar.
    before = here.note.at - run.down
    held = before + seconds
    if held >= HELD_FROM:
        says = said("demand-held", finger=name, seconds=f"{held:.1f}")
        points = _of_holding(held) - (_of_holding(before) if before >= HELD_FROM else 0.0)
        yield here.demand("own.held", points, finger, says)
        yield here.demand("held", points, finger, says)
    if seconds >= HELD_FROM:
        for kind in ("own.vibrato", "vibrato"):
            points = held_to(seconds / 2, 0, 1)
            yield here.demand(kind, points, finger, said("demand-vibrato", finger=name))
    last = run.last.get(finger)
    since = here.note.at - last[2] if last else AGAIN_WITHIN
    if last and here.before and last[0] != here.before.place and since < AGAIN_WITHIN:
        says = said("demand-again", finger=name, seconds=f"{since:.1f}")
        yield here.demand("own.again", 0.5, finger, says)
    says = said("demand-own-fast", finger=name, rate=f"{here.rate:.1f}")
    yield here.demand("own.fast", 0.4 * here.haste, finger, says)


def _of_holding(seconds: float) -> float:
    return held_to((seconds - 0.5) / 1.5, 0, 1.5)


def of_place(here: Here, place: Place) -> Iterator[Demand]:
    """What string, height and the other fingers make of a stop."""
    finger, name = place.finger, finger_said(place.finger)
    upper = here.whose.instrument.is_held_up
    string = STRINGS - place.string
    offset = place.semitones - here.hand.base
    if upper and finger == 4:
        for kind in ("own.stretched", "stretched_fourth"):
            yield here.demand(kind, float(offset >= 6), 4, said("demand-stretched-fourth"))
        yield here.demand("own.low", float(offset <= 4), 4, said("demand-low-fourth"))
        says = said("demand-fourth-reach", string=string)
        yield here.demand("fourth_reach", 0.25 + 0.25 * string, 4, says)
    if upper and finger == 1:
        yield here.demand("low_first", float(offset < 0), 1, said("demand-low-first"))
    far = (string - 1) / (STRINGS - 1)
    if upper and far > 0.5:
        says = said("demand-own-far", finger=name, string=string)
        yield here.demand("own.far", 0.7 * far, finger, says)
        points = far * (0.5 if finger >= 3 else 0.3)
        yield here.demand("far", points, finger, said("demand-far", finger=name, string=string))
    if place.string == 0 or (not upper and place.string == 1):
        yield here.demand("own.thick", 0.5, finger, said("demand-thick"))
        yield here.demand("thick", 0.4, finger, said("demand-thick"))
    if here.hand.base >= HIGH_FROM:
        says = said("demand-high", position=position_said(here))
        points = held_to((here.hand.base - 3) * 0.1, 0, 1)
        yield here.demand("high", points, finger, says)
        yield here.demand("own.high", points, finger, says)


def of_chord(here: Here) -> Iterator[Demand]:
    stopped, lead = here.stopped, here.lead.finger
    if len(here.hand.places) < 2 or not stopped:
        return
    if len(stopped) == 1:
        finger = stopped[0].finger
        yield here.demand("double", 0.4, finger, said("demand-double-open"))
        says = said("demand-ring", finger=finger_said(finger))
        yield here.demand("ring", 1.0, finger, says)
        yield here.demand("own.ring", 1.0, finger, says)
    else:
        for finger in sorted({place.finger for place in stopped}):
            says = said("demand-own-double", finger=finger_said(finger))
            yield here.demand("own.double", 1.0, finger, says)
        told = "-".join(str(place.finger) for place in stopped)
        yield here.demand("double", 1.0, lead, said("demand-double", fingers=told))
        low = min(stopped, key=lambda place: place.finger)
        high = max(stopped, key=lambda place: place.finger)
        yield from of_stretch(here, low, high)
    if len(here.hand.places) > 2:
        yield here.demand("chord", 1.0, lead, said("demand-chord", notes=len(here.hand.places)))


def of_stretch(here: Here, low: Place, high: Place) -> Iterator[Demand]:
    """Where two fingers stand farther apart than this hand does at ease."""
    apart = high.finger - low.finger
    if apart not in (1, 2, 3):
        return
    upper = here.whose.instrument.is_held_up
    eased = here.whose.usual_span * SHARES[upper][apart]
    if not upper and low.finger == 1 and here.hand.wide:
        eased *= FIRST_OPENS[apart]
    lowest, highest = sorted((low.semitones, high.semitones))
    needed = span_needed(here.whose.length, lowest, highest)
    over = needed / eased - 1
    says = said(
        "demand-stretch",
        one=finger_said(low.finger),
        other=finger_said(high.finger),
        needed=round(needed),
        eased=round(eased),
    )
    if over > FAR_OVER:
        told = here.demand("stretch", held_to(5 * over), high.finger, says)
        yield replace(told, beyond=needed - eased)
