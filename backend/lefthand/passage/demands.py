"""What each note asks of the left hand, in points with a reason in words.

A run of notes ends at any rest. A repeated note counts as one stop (a fifth of the points that a
stop makes), and asks no speed. Points are 0 to 2, of letting go to 3.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace

from lefthand.fit.stops import span_needed
from lefthand.passage.levels import Ease
from lefthand.passage.places import HALF, OPEN, Hand, Place, position_of
from lefthand.passage.played import Played
from lefthand.passage.release import natural_release
from lefthand.values.vocabulary import Instrument

NAMES = ("open", "first", "second", "third", "fourth", "thumb")
STRINGS = 4
AGAIN_WITHIN, STAYS_WITHIN = 1.5, 1.2  # s
STAYS_OVER = 4  # notes
HELD_FROM = 0.8  # s
ENTRY_AFTER = 0.3  # s of rest
FAR_OVER = 0.08  # of what the hand has at ease: less cannot be told from how a span is measured
QUICK = 0.3  # s
RINGS_ON = 0.6  # s
HIGH_FROM = 5  # base
OF_A_REPEAT = 0.2
USED_OF_A_PLACE = 0.6  # of a place to let go that is not marked
SHARES = {True: {1: 0.42, 2: 0.72, 3: 1.0}, False: {1: 0.36, 2: 0.68, 3: 1.0}}  # of the span
FIRST_OPENS = {1: 1.7, 2: 1.25, 3: 1.25}  # cello and bass: the first opens farther
USUAL_TOP = {  # semitones, first to fourth
    Instrument.VIOLIN: 5,
    Instrument.VIOLA: 5,
    Instrument.CELLO: 3,
    Instrument.BASS: 2,
}
WITH_EACH_STOP = frozenset(
    [
        "own.played",
        "own.stretched",
        "stretched_fourth",
        "own.low",
        "fourth_reach",
        "low_first",
        "own.far",
        "far",
        "own.thick",
        "thick",
        "high",
        "own.high",
        "own.double",
        "double",
        "chord",
        "ring",
        "own.ring",
        "wide",
    ]
)


@dataclass(frozen=True, slots=True)
class Demand:
    """note: place in the line. finger: that it falls on. note it falls to may lie one back. beyond:
    what a reach needs over what this hand has at ease, mm."""

    note: int
    bar: int
    kind: str
    points: float
    finger: int
    words: str
    beyond: float = 0.0


@dataclass(frozen=True, slots=True)
class Whose:
    """The hand that plays. length: of the string, mm. span: first to fourth at ease, mm. marks:
    notes after which the hand is told to let go."""

    instrument: Instrument
    ease: Ease
    length: float
    span: float | None = None
    marks: frozenset[int] = frozenset()

    @property
    def usual_span(self) -> float:
        return self.span or span_needed(self.length, 2, 2 + USUAL_TOP[self.instrument])


@dataclass(slots=True)
class _Run:
    """What was since the hand could last let go, and the starts of this run."""

    seconds: float = 0.0
    stops: int = 0
    starts: list[float] = field(default_factory=list)
    down: float = 0.0  # s, when the hand came down on what it repeats, or the bar began
    last: dict[int, tuple[int, Place, float]] = field(default_factory=dict)

    def rate(self) -> float:
        """Notes a second over the last five."""
        if len(self.starts) < 3 or self.starts[-1] <= self.starts[0]:
            return 0.0
        return (len(self.starts) - 1) / (self.starts[-1] - self.starts[0])


@dataclass(frozen=True, slots=True)
class _Here:
    """One note with its hand and the one before."""

    place: int
    note: Played
    hand: Hand
    before: "_Here | None"
    whose: Whose
    rate: float
    is_moved: bool

    @property
    def stopped(self) -> list[Place]:
        return [place for place in self.hand.places if place.finger]

    @property
    def lead(self) -> Place:
        return self.hand.places[-1]

    @property
    def haste(self) -> float:
        calm = self.whose.ease.calm
        return _held((self.rate - calm) / calm)

    @property
    def seconds_since(self) -> float:
        if self.before is None:
            return 1.0
        if self.note.is_grace:
            return 0.1
        return max(0.05, self.note.at - self.before.note.at)

    def demand(self, kind: str, points: float, finger: int, words: str) -> Demand:
        repeated = kind in WITH_EACH_STOP and not self.is_moved
        told = points * (OF_A_REPEAT if repeated else 1.0)
        return Demand(self.place, self.note.bar, kind, told, finger, words)


def _held(value: float, low: float = 0.0, high: float = 2.0) -> float:
    return min(high, max(low, value))


def demands(line: Sequence[Played], hands: Sequence[Hand | None], whose: Whose) -> list[Demand]:
    """Of all notes that a hand can play, in their order; none without points."""
    found: list[Demand] = []
    run, before = _Run(), None
    for place, (note, hand) in enumerate(zip(line, hands, strict=True)):
        if hand is None:
            continue
        here = _here(place, note, hand, before, whose, run)
        found += [each for each in _all(here, run) if each.points > 0]
        found += _stays(here, run, line, hands)
        _go_on(here, run, line, hands)
        before = here
    return found


def _here(
    place: int, note: Played, hand: Hand, before: _Here | None, whose: Whose, run: _Run
) -> _Here:
    if before is None or note.rest > 0:
        run.starts = []
    is_moved = before is None or before.hand.places != hand.places
    if is_moved or note.rest > 0 or (before is not None and before.note.bar != note.bar):
        run.down = note.at
    if is_moved and not note.is_grace:
        run.starts = [*run.starts, note.at][-5:]
    rate = run.rate() if is_moved and not note.is_grace else 0.0
    kept = None if before is None else replace(before, before=None)
    here = _Here(place, note, hand, kept, whose, rate, is_moved)
    run.stops += bool(here.stopped) and is_moved
    return here


def _all(here: _Here, run: _Run) -> Iterator[Demand]:
    yield from _letting_go(here, run)
    for place in here.stopped:
        yield from _finger(here, place, run)
        yield from _where(here, place)
    yield from _chord(here)
    if here.before is not None:
        yield from _entry(here)
        yield from _shift(here)
        yield from _crossing(here)
        yield from _neighbours(here)


def _letting_go(here: _Here, run: _Run) -> Iterator[Demand]:
    ease, finger = here.whose.ease, here.lead.finger
    if not here.stopped:
        return
    over = max(run.seconds / ease.seconds, run.stops / ease.notes) - 1
    stops = f" and {run.stops} stops" if run.stops > 1 else ""
    words = f"{run.seconds:.0f} s{stops} since the hand could let go"
    weight = _held(here.note.seconds, 0.05, 1.0)
    yield here.demand("no_release", _held(over, 0, 3) * weight, finger, words)
    if here.haste > 0:
        words = f"{here.rate:.1f} notes a second, {ease.calm:g} stay loose at this level"
        yield here.demand("fast", 0.25 * here.haste, finger, words)


def _finger(here: _Here, place: Place, run: _Run) -> Iterator[Demand]:
    finger, name, seconds = place.finger, NAMES[place.finger], here.note.seconds
    yield here.demand("own.played", 1.0, finger, f"{name} finger")
    # A note that is repeated is one that is held on, bar by bar.
    before = here.note.at - run.down
    held = before + seconds
    if held >= HELD_FROM:
        words = f"{name} held for {held:.1f} s"
        points = _of_holding(held) - (_of_holding(before) if before >= HELD_FROM else 0.0)
        yield here.demand("own.held", points, finger, words)
        yield here.demand("held", points, finger, words)
    if seconds >= HELD_FROM:
        for kind in ("own.vibrato", "vibrato"):
            points = _held(seconds / 2, 0, 1)
            yield here.demand(kind, points, finger, f"long enough for vibrato on the {name}")
    last = run.last.get(finger)
    since = here.note.at - last[2] if last else AGAIN_WITHIN
    if last and here.before and last[0] != here.before.place and since < AGAIN_WITHIN:
        yield here.demand("own.again", 0.5, finger, f"{name} again after {since:.1f} s")
    words = f"{name} at {here.rate:.1f} notes a second"
    yield here.demand("own.fast", 0.4 * here.haste, finger, words)


def _of_holding(seconds: float) -> float:
    return _held((seconds - 0.5) / 1.5, 0, 1.5)


def _where(here: _Here, place: Place) -> Iterator[Demand]:
    """What string, height and the other fingers make of a stop."""
    finger, name = place.finger, NAMES[place.finger]
    upper = here.whose.instrument.is_held_up
    string = STRINGS - place.string
    offset = place.semitones - here.hand.base
    if upper and finger == 4:
        for kind in ("own.stretched", "stretched_fourth"):
            yield here.demand(kind, float(offset >= 6), 4, "fourth stretched up")
        yield here.demand("own.low", float(offset <= 4), 4, "low fourth beside the third")
        words = f"fourth on string {string}: the elbow comes under it"
        yield here.demand("fourth_reach", 0.25 + 0.25 * string, 4, words)
    if upper and finger == 1:
        yield here.demand("low_first", float(offset < 0), 1, "first drawn back")
    far = (string - 1) / (STRINGS - 1)
    if upper and far > 0.5:
        yield here.demand("own.far", 0.7 * far, finger, f"{name} on string {string}")
        points = far * (0.5 if finger >= 3 else 0.3)
        yield here.demand("far", points, finger, f"{name} on string {string}: the arm well round")
    if place.string == 0 or (not upper and place.string == 1):
        yield here.demand("own.thick", 0.5, finger, "thick string")
        yield here.demand("thick", 0.4, finger, "thick string")
    if here.hand.base >= HIGH_FROM:
        words = f"{_position(here)} position, where a stop weighs more"
        points = _held((here.hand.base - 3) * 0.1, 0, 1)
        yield here.demand("high", points, finger, words)
        yield here.demand("own.high", points, finger, words)


def _position(here: _Here, base: int | None = None) -> str:
    of = here.hand.base if base is None else base
    number = position_of(here.whose.instrument, of)
    if of == HALF or number == 0:
        return "half"
    return {1: "first", 2: "second", 3: "third"}.get(number, f"{number}th")


def _chord(here: _Here) -> Iterator[Demand]:
    stopped, lead = here.stopped, here.lead.finger
    if len(here.hand.places) < 2 or not stopped:
        return
    if len(stopped) == 1:
        finger = stopped[0].finger
        yield here.demand("double", 0.4, finger, "double stop with an open string")
        words = f"the open neighbour rings beside the {NAMES[finger]}"
        yield here.demand("ring", 1.0, finger, words)
        yield here.demand("own.ring", 1.0, finger, words)
    else:
        for finger in sorted({place.finger for place in stopped}):
            yield here.demand("own.double", 1.0, finger, f"{NAMES[finger]} in a double stop")
        told = "-".join(str(place.finger) for place in stopped)
        yield here.demand("double", 1.0, lead, f"double stop {told}")
        low = min(stopped, key=lambda place: place.finger)
        high = max(stopped, key=lambda place: place.finger)
        yield from _stretch(here, low, high)
    if len(here.hand.places) > 2:
        yield here.demand("chord", 1.0, lead, f"chord of {len(here.hand.places)}")


def _stretch(here: _Here, low: Place, high: Place) -> Iterator[Demand]:
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
    words = f"{NAMES[low.finger]} to {NAMES[high.finger]} {needed:.0f} mm, {eased:.0f} mm at ease"
    if over > FAR_OVER:
        told = here.demand("stretch", _held(5 * over), high.finger, words)
        yield replace(told, beyond=needed - eased)


def _entry(here: _Here) -> Iterator[Demand]:
    if here.note.rest > ENTRY_AFTER and here.stopped and not here.note.is_grace:
        words = "entry after a rest: the finger before the bow"
        yield here.demand("entry", 0.5, here.lead.finger, words)


def _shift(here: _Here) -> Iterator[Demand]:
    before = here.before
    if before is None:
        return
    lead, moved = here.lead.finger, here.hand.base - before.hand.base
    opens = here.hand.wide != before.hand.wide
    if here.hand.wide:
        points = 0.6 if before.hand.wide else 1.0
        yield here.demand("wide", points, lead, "wide hand")
    if opens:
        words = "the hand opens" if here.hand.wide else "the hand closes"
        yield here.demand("toggle", 1.0, lead, words)
    if moved == 0 or (opens and abs(moved) == 1):
        return
    if abs(moved) == 1:
        yield here.demand("shift", 0.3, lead, "the hand moves by a half step")
        return
    is_eased = here.note.rest > ENTRY_AFTER or not before.stopped
    eased = 0.5 if is_eased else 1.0
    points = eased * _held(0.6 + 0.1 * abs(moved))
    words = f"shift from {_position(here, before.hand.base)} to {_position(here)} position"
    words += " over an open string or a rest" if is_eased else ""
    yield here.demand("shift", points, lead, words)
    if abs(moved) >= 3:
        points = eased * _held(0.5 + 0.1 * abs(moved))
        yield here.demand("thumb_along", points, lead, "the thumb goes along")
    if moved < 0:
        points = eased * _held(0.6 + 0.1 * abs(moved))
        yield here.demand("shift_down", points, lead, f"shift down to {_position(here)} position")
    if here.seconds_since < QUICK:
        points = _held((QUICK - here.seconds_since) / 0.2, 0, 1) + 0.2
        yield here.demand("fast_shift", points, lead, f"shift within {here.seconds_since:.2f} s")


def _crossing(here: _Here) -> Iterator[Demand]:
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
    words = f"from string {STRINGS - were_highest} to {STRINGS - highest}"
    words += " in the slur" if here.note.slurred else ""
    yield here.demand("cross", points, lead, words)
    yield here.demand("skip", 0.6 * (strings - 1), lead, "skips a string")
    points = _held((QUICK - here.seconds_since) / 0.2, 0, 1)
    yield here.demand("fast_cross", points, lead, f"string change in {here.seconds_since:.2f} s")
    if lead and lead == before.lead.finger:
        level = before.lead.semitones == here.lead.semitones
        words = f"{NAMES[lead]} {'lies over two strings' if level else 'hops across'}"
        yield here.demand("hop", 0.6 if level else 1.0, lead, words)
    is_next = highest == were_highest + 1 and here.seconds_since < RINGS_ON
    if lead == OPEN and before.lead.finger and is_next:
        yield from _must_ring(before)


def _must_ring(before: _Here) -> Iterator[Demand]:
    """The next string up is open and follows at once: it has to be free."""
    finger = before.lead.finger
    words = f"the next string up must be free beside the {NAMES[finger]}"
    yield before.demand("ring", 0.4, finger, words)
    yield before.demand("own.ring", 0.4, finger, words)


def _neighbours(here: _Here) -> Iterator[Demand]:
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
        words = f"fourth straight after the {NAMES[one.finger]}"
        yield here.demand("own.after_third", 0.8 if upper else 0.6, 4, words)
    is_half = abs(one.semitones - two.semitones) == 1
    if is_still and upper and is_half and {one.finger, two.finger} == {3, 4}:
        yield here.demand("own.half_step", 1.0, 4, "half step from third to fourth")
        yield here.demand("own.half_step", 0.6, 3, "half step from third to fourth")
    if two.finger + 2 <= one.finger < 5:
        points = _held(0.15 * (one.finger - two.finger) * (1 + here.haste))
        words = f"{NAMES[one.finger]} to {NAMES[two.finger]}: fingers lifted together"
        yield here.demand("lift", points, one.finger, words)
    if is_still and one.finger and two.finger:
        low, high = sorted((one, two), key=lambda place: place.finger)
        yield from _stretch(here, low, high)


def _stays(
    here: _Here, run: _Run, line: Sequence[Played], hands: Sequence[Hand | None]
) -> Iterator[Demand]:
    """A finger that comes back to its place soon stays there, while others play."""
    for place in here.stopped:
        last = run.last.get(place.finger)
        if last is None or here.before is None or last[0] == here.before.place:
            continue
        first, at, when = last
        if here.place - first > STAYS_OVER or here.note.at - when >= STAYS_WITHIN or at != place:
            continue
        between = [hand for hand in hands[first + 1 : here.place] if hand is not None]
        if all(_lets_stay(hand, here.hand, place) for hand in between):
            words = f"{NAMES[place.finger]} stays while others play"
            yield Demand(first, line[first].bar, "stay", 0.4, place.finger, words)


def _lets_stay(hand: Hand, now: Hand, place: Place) -> bool:
    above = all(p.string != place.string or p.finger > place.finger for p in hand.places)
    return hand.base == now.base and above


def _go_on(here: _Here, run: _Run, line: Sequence[Played], hands: Sequence[Hand | None]) -> None:
    for place in here.stopped:
        run.last[place.finger] = (here.place, place, here.note.at)
    run.seconds += here.note.seconds
    if here.place in here.whose.marks:
        run.seconds, run.stops = 0.0, 0
        return
    quality, _ = natural_release(line, hands, here.place)
    if quality >= 0.4:
        left = 1 - USED_OF_A_PLACE * quality
        run.seconds, run.stops = run.seconds * left, int(run.stops * left)
