"""What each note asks of the left hand, in points with a reason.

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
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Instrument
from lefthand.words import words_of

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
    says: Said
    beyond: float = 0.0

    @property
    def words(self) -> str:
        words: str = words_of(self.says)
        return words


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

    def demand(self, kind: str, points: float, finger: int, says: Said) -> Demand:
        repeated = kind in WITH_EACH_STOP and not self.is_moved
        told = points * (OF_A_REPEAT if repeated else 1.0)
        return Demand(self.place, self.note.bar, kind, told, finger, says)


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
    says = said("demand-no-release", seconds=round(run.seconds), stops=run.stops)
    weight = _held(here.note.seconds, 0.05, 1.0)
    yield here.demand("no_release", _held(over, 0, 3) * weight, finger, says)
    if here.haste > 0:
        says = said("demand-fast", rate=f"{here.rate:.1f}", calm=f"{ease.calm:g}")
        yield here.demand("fast", 0.25 * here.haste, finger, says)


def _finger(here: _Here, place: Place, run: _Run) -> Iterator[Demand]:
    finger, name, seconds = place.finger, _named(place.finger), here.note.seconds
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
            points = _held(seconds / 2, 0, 1)
            yield here.demand(kind, points, finger, said("demand-vibrato", finger=name))
    last = run.last.get(finger)
    since = here.note.at - last[2] if last else AGAIN_WITHIN
    if last and here.before and last[0] != here.before.place and since < AGAIN_WITHIN:
        says = said("demand-again", finger=name, seconds=f"{since:.1f}")
        yield here.demand("own.again", 0.5, finger, says)
    says = said("demand-own-fast", finger=name, rate=f"{here.rate:.1f}")
    yield here.demand("own.fast", 0.4 * here.haste, finger, says)


def _of_holding(seconds: float) -> float:
    return _held((seconds - 0.5) / 1.5, 0, 1.5)


def _where(here: _Here, place: Place) -> Iterator[Demand]:
    """What string, height and the other fingers make of a stop."""
    finger, name = place.finger, _named(place.finger)
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
        says = said("demand-high", position=_position(here))
        points = _held((here.hand.base - 3) * 0.1, 0, 1)
        yield here.demand("high", points, finger, says)
        yield here.demand("own.high", points, finger, says)


def _position(here: _Here, base: int | None = None) -> Said:
    of = here.hand.base if base is None else base
    number = position_of(here.whose.instrument, of)
    return said("hand-position", number=0 if of == HALF else number)


def _named(finger: int) -> Said:
    return said(f"finger-{finger}")


def _chord(here: _Here) -> Iterator[Demand]:
    stopped, lead = here.stopped, here.lead.finger
    if len(here.hand.places) < 2 or not stopped:
        return
    if len(stopped) == 1:
        finger = stopped[0].finger
        yield here.demand("double", 0.4, finger, said("demand-double-open"))
        says = said("demand-ring", finger=_named(finger))
        yield here.demand("ring", 1.0, finger, says)
        yield here.demand("own.ring", 1.0, finger, says)
    else:
        for finger in sorted({place.finger for place in stopped}):
            says = said("demand-own-double", finger=_named(finger))
            yield here.demand("own.double", 1.0, finger, says)
        told = "-".join(str(place.finger) for place in stopped)
        yield here.demand("double", 1.0, lead, said("demand-double", fingers=told))
        low = min(stopped, key=lambda place: place.finger)
        high = max(stopped, key=lambda place: place.finger)
        yield from _stretch(here, low, high)
    if len(here.hand.places) > 2:
        yield here.demand("chord", 1.0, lead, said("demand-chord", notes=len(here.hand.places)))


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
    says = said(
        "demand-stretch",
        one=_named(low.finger),
        other=_named(high.finger),
        needed=round(needed),
        eased=round(eased),
    )
    if over > FAR_OVER:
        told = here.demand("stretch", _held(5 * over), high.finger, says)
        yield replace(told, beyond=needed - eased)


def _entry(here: _Here) -> Iterator[Demand]:
    if here.note.rest > ENTRY_AFTER and here.stopped and not here.note.is_grace:
        yield here.demand("entry", 0.5, here.lead.finger, said("demand-entry"))


def _shift(here: _Here) -> Iterator[Demand]:
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
    points = eased * _held(0.6 + 0.1 * abs(moved))
    says = said(
        "demand-shift-eased" if is_eased else "demand-shift",
        before=_position(here, before.hand.base),
        position=_position(here),
    )
    yield here.demand("shift", points, lead, says)
    if abs(moved) >= 3:
        points = eased * _held(0.5 + 0.1 * abs(moved))
        yield here.demand("thumb_along", points, lead, said("demand-thumb-along"))
    if moved < 0:
        points = eased * _held(0.6 + 0.1 * abs(moved))
        says = said("demand-shift-down", position=_position(here))
        yield here.demand("shift_down", points, lead, says)
    if here.seconds_since < QUICK:
        points = _held((QUICK - here.seconds_since) / 0.2, 0, 1) + 0.2
        says = said("demand-fast-shift", seconds=f"{here.seconds_since:.2f}")
        yield here.demand("fast_shift", points, lead, says)


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
    says = said(
        "demand-cross-slurred" if here.note.slurred else "demand-cross",
        before=STRINGS - were_highest,
        string=STRINGS - highest,
    )
    yield here.demand("cross", points, lead, says)
    yield here.demand("skip", 0.6 * (strings - 1), lead, said("demand-skip"))
    points = _held((QUICK - here.seconds_since) / 0.2, 0, 1)
    says = said("demand-fast-cross", seconds=f"{here.seconds_since:.2f}")
    yield here.demand("fast_cross", points, lead, says)
    if lead and lead == before.lead.finger:
        level = before.lead.semitones == here.lead.semitones
        says = said("demand-lies-over" if level else "demand-hop", finger=_named(lead))
        yield here.demand("hop", 0.6 if level else 1.0, lead, says)
    is_next = highest == were_highest + 1 and here.seconds_since < RINGS_ON
    if lead == OPEN and before.lead.finger and is_next:
        yield from _must_ring(before)


def _must_ring(before: _Here) -> Iterator[Demand]:
    """The next string up is open and follows at once: it has to be free."""
    finger = before.lead.finger
    says = said("demand-must-ring", finger=_named(finger))
    yield before.demand("ring", 0.4, finger, says)
    yield before.demand("own.ring", 0.4, finger, says)


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
        says = said("demand-after-third", finger=_named(one.finger))
        yield here.demand("own.after_third", 0.8 if upper else 0.6, 4, says)
    is_half = abs(one.semitones - two.semitones) == 1
    if is_still and upper and is_half and {one.finger, two.finger} == {3, 4}:
        yield here.demand("own.half_step", 1.0, 4, said("demand-half-step"))
        yield here.demand("own.half_step", 0.6, 3, said("demand-half-step"))
    if two.finger + 2 <= one.finger < 5:
        points = _held(0.15 * (one.finger - two.finger) * (1 + here.haste))
        says = said("demand-lift", one=_named(one.finger), other=_named(two.finger))
        yield here.demand("lift", points, one.finger, says)
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
            says = said("demand-stay", finger=_named(place.finger))
            yield Demand(first, line[first].bar, "stay", 0.4, place.finger, says)


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
