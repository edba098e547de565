"""Drills that lead to a place: at most four, each at most twenty seconds once, made of its own
notes with their fingers and chosen by what weighs most there.

First slowly with stops, then what treats the trouble itself, at last note by note outwards from the
heaviest one. Which drill answers which demand is working judgement, no source.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from lefthand.music.keys import FIFTHS, key_with
from lefthand.music.musicxml import TYPES
from lefthand.music.score import BAR, Drill, Event, Tone, rest, rests_of
from lefthand.music.strings import FINGERBOARDS, Pitch
from lefthand.passage.places import THUMB, Hand
from lefthand.passage.played import Played
from lefthand.passage.release import Release
from lefthand.passage.returns import Heavy
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Instrument
from lefthand.words import words_of

LONGEST_NOTE = Fraction(4)
MOST_SECONDS = 20.0
MOST_OF_TROUBLE = 2  # drills that treat the trouble, between the slow one and the growing one
HALF, QUARTER = Fraction(2), Fraction(1)
LONG, SHORT = Fraction(3, 2), Fraction(1, 2)
GROUP = 4
ROUNDS = 3
BEATS = range(2, 7)
QUICK_SECONDS = 0.35
# Which drill answers which demand.
SHIFTS = ("shift", "shift_down", "fast_shift", "thumb_along")
STRINGS = ("cross", "skip", "fast_cross", "hop", "far", "own.far")
REACHES = ("stretch", "stretched_fourth", "wide", "toggle", "low_first", "own.stretched")
HOLDS = ("held", "own.held", "vibrato", "own.vibrato", "no_release", "stay", "ring", "own.ring")
RUNS = ("fast", "own.fast")
FINGERS = (
    *("own.played", "own.again", "own.after_third", "own.half_step", "own.low", "own.thick"),
    *("fourth_reach", "lift", "own.high"),
)


@dataclass(frozen=True, slots=True)
class Note:
    """One note of the place. place: in the line."""

    place: int
    event: Event
    is_quick: bool


@dataclass(frozen=True, slots=True)
class Stage:
    """title, hint: what it is called and how it goes, to be said."""

    title: Said
    hint: Said
    bars: Sequence[tuple[Event, ...]]


@dataclass(frozen=True, slots=True)
class Where:
    """The notes of a place and the one that weighs most, by its number among them. beats: quarters
    of a bar; tempo: quarters a minute at which drills begin."""

    notes: Sequence[Note]
    events: Sequence[Event]
    at: int
    beats: int
    tempo: int
    instrument: Instrument

    @property
    def before(self) -> Note | None:
        return self.notes[self.at - 1] if self.at else None

    @property
    def here(self) -> Note:
        return self.notes[self.at]

    def fits(self, bars: Sequence[Sequence[Event]]) -> bool:
        return self.seconds([event for bar in bars for event in bar]) <= MOST_SECONDS

    def seconds(self, events: Sequence[Event]) -> float:
        return float(sum((event.length for event in events), Fraction(0))) * 60 / self.tempo


@dataclass(frozen=True, slots=True)
class Written:
    """How the piece is written there. fifths: of its key; metre: quarters of a bar; tempo: quarters
    a minute at which drills begin."""

    instrument: Instrument
    fifths: int = 0
    metre: Fraction = BAR
    tempo: int = 60


def way_drills(
    line: Sequence[Played],
    hands: Sequence[Hand | None],
    bars: Sequence[int],
    releases: Sequence[Release],
    heavy: Sequence[Heavy],
    written: Written,
) -> list[Drill]:
    """Those that this place has, in the order of practice. heavy: what weighs there, the most
    first. None where the thumb lies on the string."""
    stops = {release.place for release in releases}
    events, notes = _events(line, hands, bars, stops)
    if not notes or any(tone.finger == THUMB for note in notes for tone in note.event.tones):
        return []
    beats = _beats(written.metre)
    places = [note.place for note in notes]
    centre = next((each.note for each in heavy if each.note in places), places[len(places) // 2])
    where = Where(notes, events, places.index(centre), beats, written.tempo, written.instrument)
    stages = [_slow(where), *_of_trouble(where, heavy), _growing(where)]
    key = key_with(min(max(written.fifths, FIFTHS.start), FIFTHS.stop - 1), is_minor=False)
    return [
        Drill(
            name="lead_in",
            title=words_of(stage.title),
            instrument=written.instrument,
            tempo=written.tempo,
            bars=tuple(stage.bars),
            key=key,
            hint=words_of(stage.hint),
            beats=beats,
            asked=(("bars", [bar + 1 for bar in bars]),),
        )
        for stage in stages
        if stage is not None and _can_be_written(stage.bars)
    ]


def _beats(metre: Fraction) -> int:
    """Quarters of a bar of the drills: as in the piece where those are whole, else four."""
    return int(metre) if metre.denominator == 1 and int(metre) in BEATS else int(BAR)


def _can_be_written(bars: Sequence[Sequence[Event]]) -> bool:
    return bool(bars) and all(event.length in TYPES for bar in bars for event in bar)


# ------------------------------------------------------------------ what treats the trouble


def _of_trouble(where: Where, heavy: Sequence[Heavy]) -> list[Stage]:
    """What answers the heaviest demands, one drill a kind of trouble."""
    found: dict[Callable[..., Stage | None], Stage] = {}
    places = [note.place for note in where.notes]
    for each in heavy:
        make = next((make for kinds, make in TREATED if each.kind in kinds), None)
        if make is None or make in found or each.note not in places:
            continue
        there = replace(where, at=places.index(each.note))
        stage = make(there, each.words)
        if stage is not None and where.fits(stage.bars) and _can_be_written(stage.bars):
            found[make] = stage
        if len(found) == MOST_OF_TROUBLE:
            break
    return list(found.values())


def _shift(where: Where, why: str) -> Stage | None:
    """From where, to where, and what leads; then with the notes about it."""
    if where.before is None:
        return None
    start, goal = where.before.event, where.here.event
    leads = start.tones[-1].finger and start.tones[-1].string == goal.tones[-1].string
    half = _half_bar(where.beats)
    first = Event(half, start.tones, frozenset({"slide"}) if leads else frozenset[str]())
    pair = [first, Event(half, goal.tones)]
    about = where.notes[max(0, where.at - 2) : where.at + 2]
    inside = [_plain(note.event) for note in about]
    rests = _silence(Fraction(where.beats))
    bars = [*_in_bars([*pair, *rests], where.beats), *_in_bars(inside, where.beats)]
    hint = said("way-shift", why=why, finger=start.tones[-1].finger) if leads else None
    return Stage(said("way-shift-title"), hint or said("way-shift-open", why=why), bars)


def _strings_first(where: Where, why: str) -> Stage | None:
    """The same strings in the same rhythm, the left hand away; then with it."""
    board = FINGERBOARDS[where.instrument]
    near = _near(where, GROUP)
    bare = [
        Event(
            note.event.length,
            tuple(Tone(board.strings[t.string], 0, t.string) for t in note.event.tones),
        )
        for note in near
    ]
    full = [_plain(note.event) for note in near]
    bars = [*_in_bars(bare, where.beats), *_in_bars(full, where.beats)]
    return Stage(said("way-strings-title"), said("way-strings", why=why), bars)


def _drawn_back(where: Where, why: str) -> Stage | None:
    """The higher finger stands first, the lower one reaches back to it."""
    tones = list(where.here.event.tones)
    if len(tones) < 2 and where.before is not None:
        tones += where.before.event.tones
    stopped = sorted((tone for tone in tones if tone.finger), key=lambda tone: -tone.finger)
    if len(stopped) < 2 or stopped[0].finger == stopped[-1].finger:
        return None
    half = _half_bar(where.beats)
    high, low = Event(half, (stopped[0],)), Event(half, (stopped[-1],))
    bars = _in_bars([high, low, *_silence(Fraction(where.beats))], where.beats)
    fingers = {"high": stopped[0].finger, "low": stopped[-1].finger}
    return Stage(said("way-reach-title"), said("way-reach", why=why, **fingers), bars)


def _shorter(where: Where, why: str) -> Stage | None:
    """The long note in shorter ones, with a breath for the hand in between."""
    tones = where.here.event.tones
    bars = _in_bars([Event(QUARTER, tones), *_silence(QUARTER)] * (2 * ROUNDS), where.beats)
    return Stage(said("way-hold-title"), said("way-hold", why=why), bars)


def _grouped(where: Where, why: str) -> Stage | None:
    """Groups round the hardest pair, and then the same uneven, where notes are quick."""
    near = [note.event for note in _near(where, GROUP)]
    if len(near) < GROUP or not where.here.is_quick:
        return None
    even = [Event(SHORT, event.tones) for event in near]
    group = [*even, *_rest_of_bar(HALF, where.beats)]
    uneven = [
        Event((LONG if number % 2 == 0 else SHORT) / 2, event.tones)
        for number, event in enumerate(near)
    ]
    bars = _in_bars([*group * 2, *uneven, *_rest_of_bar(HALF, where.beats)], where.beats)
    return Stage(said("way-run-title"), said("way-run", why=why), bars)


def _with_neighbour(where: Where, why: str) -> Stage | None:
    """The finger in turn with the nearest other note on its string."""
    own = where.here.event.tones[-1]
    by_distance = sorted(where.notes, key=lambda note: abs(note.place - where.here.place))
    other = next(
        (
            note.event
            for note in by_distance
            if note.event.tones[-1].string == own.string
            and note.event.tones[-1].finger not in (own.finger, 0)
        ),
        None,
    )
    if other is None:
        return None
    pair = [Event(QUARTER, other.tones[-1:]), Event(QUARTER, (own,))]
    bars = _in_bars([*pair, *_rest_of_bar(HALF, where.beats)] * ROUNDS, where.beats)
    fingers = {"one": other.tones[-1].finger, "two": own.finger}
    return Stage(said("way-finger-title"), said("way-finger", why=why, **fingers), bars)


TREATED: Sequence[tuple[Sequence[str], Callable[[Where, str], Stage | None]]] = (
    (SHIFTS, _shift),
    (STRINGS, _strings_first),
    (REACHES, _drawn_back),
    (HOLDS, _shorter),
    (RUNS, _grouped),
    (FINGERS, _with_neighbour),
)


# ------------------------------------------------------------------ before and after it


def _slow(where: Where) -> Stage:
    """As it is written, at half the speed, with its stops; as much about the heart as fits."""
    events = [_longer(event) for event in where.events]
    heart = next(
        (n for n, event in enumerate(where.events) if event is where.here.event), len(events) // 2
    )
    first = last = heart
    while True:
        wider = [(first - 1, last), (first, last + 1)]
        wider = [(a, b) for a, b in wider if a >= 0 and b < len(events)]
        fitting = [w for w in wider if where.seconds(events[w[0] : w[1] + 1]) <= MOST_SECONDS]
        if not fitting:
            break
        first, last = min(fitting, key=lambda w: abs(w[0] + w[1] - 2 * heart))
    return Stage(
        said("way-slow-title"), said("way-slow"), _in_bars(events[first : last + 1], where.beats)
    )


def _growing(where: Where) -> Stage | None:
    """The heaviest note with the one before it and a rest, then a note more on either side."""
    bars: list[tuple[Event, ...]] = []
    first, last = where.at, where.at
    forward = False
    while last - first + 1 < len(where.notes):
        can_go = (last + 1 < len(where.notes), first > 0)
        forward = can_go[0] if not can_go[1] else (forward and can_go[0])
        first, last = (first, last + 1) if forward else (first - 1, last)
        forward = not forward
        notes = [_plain(note.event) for note in where.notes[first : last + 1]]
        filled = sum((event.length for event in notes), Fraction(0))
        bar = (*notes, *_silence(-filled % 1 + 1))
        if not where.fits([*bars, bar]):
            break
        bars.append(bar)
    return Stage(said("way-more-title"), said("way-more"), bars) if bars else None


def _near(where: Where, count: int) -> Sequence[Note]:
    """So many notes with the heaviest one in their middle, as far as there are some."""
    first = max(0, min(where.at - count // 2, len(where.notes) - count))
    return where.notes[first : first + count]


def _half_bar(beats: int) -> Fraction:
    """Half a bar, where a note can be so long."""
    half = Fraction(beats, 2)
    return half if half in TYPES else HALF


def _rest_of_bar(filled: Fraction, beats: int) -> list[Event]:
    """Silence to the end of the bar, a whole bar where it is full."""
    return _silence(beats - filled % beats)


def _silence(length: Fraction) -> list[Event]:
    return [rest(each) for each in rests_of(length)]


def _events(
    line: Sequence[Played], hands: Sequence[Hand | None], bars: Sequence[int], stops: set[int]
) -> tuple[list[Event], list[Note]]:
    """What is played in these bars with its rests, and its notes by themselves; graces are left
    out."""
    here = [
        (place, note) for place, note in enumerate(line) if note.bar in bars and not note.is_grace
    ]
    found: list[Event] = []
    notes: list[Note] = []
    for (place, note), after in zip(here, [*here[1:], None], strict=False):
        until = after[1].onset - note.onset if after else note.length
        event = _event(note, hands[place], min(note.length, until) or note.length, place in stops)
        if event is None:
            continue
        following = line[place + 1] if place + 1 < len(line) else None
        binds = after is not None and following is not None and following.slurred
        marks = event.marks | ({"slur"} if binds and "stop" not in event.marks else set())
        found.append(Event(event.length, event.tones, frozenset(marks)))
        notes.append(Note(place, found[-1], note.seconds < QUICK_SECONDS))
        if until > note.length:
            found += [rest(length) for length in rests_of(until - note.length)]
    return found, notes


def _event(note: Played, hand: Hand | None, length: Fraction, stops: bool) -> Event | None:
    if hand is None or not note.tones:
        return None
    pitches = {tone.pitch.midi: tone.pitch for tone in (*note.tones, *note.held)}
    tones = _tones(hand, pitches)
    marks = frozenset({"stop"}) if stops else frozenset[str]()
    return Event(min(length, LONGEST_NOTE), tones, marks) if tones else None


def _tones(hand: Hand, pitches: dict[int, Pitch]) -> tuple[Tone, ...]:
    ranked = sorted(pitches)
    places = hand.places if len(hand.places) <= len(ranked) else hand.places[-len(ranked) :]
    chosen = ranked[-len(places) :]
    return tuple(
        Tone(pitches[midi], place.finger, place.string)
        for midi, place in zip(chosen, places, strict=True)
    )


def _longer(event: Event) -> Event:
    return Event(min(2 * event.length, LONGEST_NOTE), event.tones, event.marks)


def _plain(event: Event) -> Event:
    return Event(event.length, event.tones)


def _in_bars(events: Sequence[Event], beats: int) -> list[tuple[Event, ...]]:
    """Never more than a bar of the piece in one; a note that is longer than that is cut to it."""
    bars: list[list[Event]] = [[]]
    filled = Fraction(0)
    for event in events:
        length = min(event.length, Fraction(beats))
        if bars[-1] and filled + length > beats:
            bars.append([])
            filled = Fraction(0)
        bars[-1].append(Event(length, event.tones, event.marks))
        filled += length
    return [tuple(bar) for bar in bars if bar]


def joined(drills: Sequence[Drill]) -> Drill | None:
    """All of them one after the other, as one."""
    if not drills:
        return None
    first = drills[0]
    return Drill(
        name=first.name,
        title=words_of(said("way-title")),
        instrument=first.instrument,
        tempo=first.tempo,
        bars=tuple(bar for drill in drills for bar in drill.bars),
        key=first.key,
        beats=first.beats,
        asked=first.asked,
    )
