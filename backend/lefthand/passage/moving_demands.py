"""What a note asks of the hand on its way to it: entries, shifts, crossings, neighbours."""

from collections.abc import Iterator

from lefthand.passage.demand import (
    ENTRY_AFTER,
    QUICK,
    STRINGS,
    Demand,
    Here,
    finger_said,
    held_to,
    position_said,
)
from lefthand.passage.places import OPEN
from lefthand.passage.standing_demands import of_stretch
from lefthand.values.said import said

RINGS_ON = 0.6  # s


def of_entry(here: Here) -> Iterator[Demand]:
    if here.note.rest > ENTRY_AFTER and here.stopped and not here.note.is_grace:
        yield here.demand("entry", 0.5, here.lead.finger, said("demand-entry"))


def of_shift(here: Here) -> Iterator[Demand]:
    before = here.before
    if before is None:
        return
    lead, moved = here.lead.finger, here.hand.base - before.hand.base
    opens = here.hand.wide != before.hand.wide
    if here.hand.wide:
        points = 0.6 if before.hand.wide else 1.0
        yield here.demand("wide", points, lead, said("demand-wide"))
    if opens:
        says = said("demand-opens" if here.hand.wide else "demand-closes")
        yield here.demand("toggle", 1.0, lead, says)
    if moved == 0 or (opens and abs(moved) == 1):
        return
    if abs(moved) == 1:
        yield here.demand("shift", 0.3, lead, said("demand-half-step-shift"))
        return
    is_eased = here.note.rest > ENTRY_AFTER or not before.stopped
    eased = 0.5 if is_eased else 1.0
    points = eased * held_to(0.6 + 0.1 * abs(moved))
    says = said(
        "demand-shift-eased" if is_eased else "demand-shift",
        before=position_said(here, before.hand.base),
        position=position_said(here),
    )
    yield here.demand("shift", points, lead, says)
    if abs(moved) >= 3:
        points = eased * held_to(0.5 + 0.1 * abs(moved))
        yield here.demand("thumb_along", points, lead, said("demand-thumb-along"))
    if moved < 0:
        points = eased * held_to(0.6 + 0.1 * abs(moved))
        says = said("demand-shift-down", position=position_said(here))
        yield here.demand("shift_down", points, lead, says)
    if here.seconds_since < QUICK:
        points = held_to((QUICK - here.seconds_since) / 0.2, 0, 1) + 0.2
        says = said("demand-fast-shift", seconds=f"{here.seconds_since:.2f}")
        yield here.demand("fast_shift", points, lead, says)


def of_crossing(here: Here) -> Iterator[Demand]:
    before = here.before
    if before is None or here.note.rest > ENTRY_AFTER:
        return
    lowest, highest = here.hand.places[0].string, here.lead.string
    were_lowest, were_highest = before.hand.places[0].string, before.lead.string
    strings = max(0, lowest - were_highest, were_lowest - highest)
    if not strings:
        return
    lead = here.lead.finger
    points = 0.5 + (0.25 if here.note.slurred else 0.0)
    points += 0.25 if lowest < were_lowest and here.whose.instrument.is_held_up else 0.0
    points *= 1.0 if here.stopped or before.lead.finger else 0.3
    says = said(
        "demand-cross-slurred" if here.note.slurred else "demand-cross",
        before=STRINGS - were_highest,
        string=STRINGS - highest,
    )
    yield here.demand("cross", points, lead, says)
    yield here.demand("skip", 0.6 * (strings - 1), lead, said("demand-skip"))
    points = held_to((QUICK - here.seconds_since) / 0.2, 0, 1)
    says = said("demand-fast-cross", seconds=f"{here.seconds_since:.2f}")
    yield here.demand("fast_cross", points, lead, says)
    if lead and lead == before.lead.finger:
        level = before.lead.semitones == here.lead.semitones
        says = said("demand-lies-over" if level else "demand-hop", finger=finger_said(lead))
        yield here.demand("hop", 0.6 if level else 1.0, lead, says)
    is_next = highest == were_highest + 1 and here.seconds_since < RINGS_ON
    if here.lead.on_string == OPEN and before.lead.finger and is_next:
        yield from _must_ring(before)


def _must_ring(before: Here) -> Iterator[Demand]:
    """The next string up is open and follows at once: it has to be free."""
    finger = before.lead.finger
    says = said("demand-must-ring", finger=finger_said(finger))
    yield before.demand("ring", 0.4, finger, says)
    yield before.demand("own.ring", 0.4, finger, says)


def of_neighbours(here: Here) -> Iterator[Demand]:
    """One finger after another on one string with the hand in its place."""
    before = here.before
    if before is None or here.note.rest > ENTRY_AFTER:
        return
    one, two = before.lead, here.lead
    is_line = len(here.hand.places) == len(before.hand.places) == 1
    if one.string != two.string or not is_line:
        return
    is_still = here.hand.base == before.hand.base
    upper = here.whose.instrument.is_held_up
    if is_still and two.finger == 4 and one.finger in ((3,) if upper else (2, 3)):
        says = said("demand-after-third", finger=finger_said(one.finger))
        yield here.demand("own.after_third", 0.8 if upper else 0.6, 4, says)
    is_half = abs(one.semitones - two.semitones) == 1
    if is_still and upper and is_half and {one.finger, two.finger} == {3, 4}:
        yield here.demand("own.half_step", 1.0, 4, said("demand-half-step"))
        yield here.demand("own.half_step", 0.6, 3, said("demand-half-step"))
    if two.on_string + 2 <= one.finger < 5:
        points = held_to(0.15 * (one.finger - two.finger) * (1 + here.haste))
        says = said("demand-lift", one=finger_said(one.finger), other=finger_said(two.finger))
        yield here.demand("lift", points, one.finger, says)
    if is_still and one.finger and two.finger:
        low, high = sorted((one, two), key=lambda place: place.finger)
        yield from of_stretch(here, low, high)
