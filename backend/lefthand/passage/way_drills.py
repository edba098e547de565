"""Drills that lead to a place, made of its own notes with their fingers: slow with stops, in two
rhythms, a note more each time. As it is written it stands in the piece itself."""

from collections.abc import Sequence
from fractions import Fraction

from lefthand.music.keys import FIFTHS, key_with
from lefthand.music.musicxml import TYPES
from lefthand.music.score import BAR, Drill, Event, Tone, rest, rests_of
from lefthand.music.strings import Pitch
from lefthand.passage.places import THUMB, Hand
from lefthand.passage.played import Played
from lefthand.passage.release import Release
from lefthand.values.vocabulary import Instrument

ADDED = 8  # notes of the part that grows
LONGEST_NOTE = Fraction(4)
TWICE = 2
FEWEST_EQUAL = 4  # notes for a rhythm
RHYTHMS = {
    "Long and short": (Fraction(3, 2), Fraction(1, 2), "Lean on the long ones."),
    "Short and long": (Fraction(1, 2), Fraction(3, 2), "The short ones fall by themselves."),
}
SLOW, MORE = "Slow, with stops", "A note more each time"


def way_drills(
    line: Sequence[Played],
    hands: Sequence[Hand | None],
    bars: Sequence[int],
    releases: Sequence[Release],
    instrument: Instrument,
    *,
    fifths: int = 0,
    tempo: int = 60,
) -> list[Drill]:
    """Those that this place has, in the order of practice. The slow ones are written twice as long,
    so at the same beat they sound at half the speed. None where the thumb lies on the string."""
    events = _events(line, hands, bars, {release.place for release in releases})
    tones = [tone for event in events for tone in event.tones]
    if not tones or any(tone.finger == THUMB for tone in tones):
        return []
    slow = [_longer(event) for event in events]
    notes = [_plain(event) for event in slow if event.tones]
    stages = [(SLOW, _in_bars(slow), "At each mark stop, let go, shape the hand.")]
    for title, (one, two, hint) in RHYTHMS.items():
        uneven = _in_rhythm(slow, one, two)
        if uneven:
            stages.append((title, _in_bars(uneven), hint))
    growing = _growing(notes[:ADDED])
    if growing:
        stages.append((MORE, growing, "The hand hangs in each rest."))
    key = key_with(min(max(fifths, FIFTHS.start), FIFTHS.stop - 1), is_minor=False)
    return [
        Drill(
            name="lead_in",
            title=title,
            instrument=instrument,
            tempo=tempo,
            bars=tuple(stage),
            key=key,
            hint=hint,
            asked=(("bars", [bar + 1 for bar in bars]),),
        )
        for title, stage, hint in stages
        if all(event.length in TYPES for bar in stage for event in bar)
    ]


def _events(
    line: Sequence[Played], hands: Sequence[Hand | None], bars: Sequence[int], stops: set[int]
) -> list[Event]:
    """What is played in these bars, with its rests; graces are left out."""
    here = [
        (place, note) for place, note in enumerate(line) if note.bar in bars and not note.is_grace
    ]
    found: list[Event] = []
    for (place, note), after in zip(here, [*here[1:], None], strict=True):
        until = after[1].onset - note.onset if after else note.length
        event = _event(note, hands[place], min(note.length, until) or note.length, place in stops)
        if event is None:
            continue
        following = line[place + 1] if place + 1 < len(line) else None
        binds = after is not None and following is not None and following.slurred
        marks = event.marks | ({"slur"} if binds and "stop" not in event.marks else set())
        found.append(Event(event.length, event.tones, frozenset(marks)))
        if until > note.length:
            found += [rest(length) for length in rests_of(until - note.length)]
    return found


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
    return Event(min(TWICE * event.length, LONGEST_NOTE), event.tones, event.marks)


def _plain(event: Event) -> Event:
    return Event(event.length, event.tones)


def _in_rhythm(events: Sequence[Event], one: Fraction, two: Fraction) -> list[Event]:
    """Pairs of equal notes made uneven; [] where too few notes follow each other so."""
    found: list[Event] = []
    place = count = 0
    while place < len(events):
        a, b = events[place], events[place + 1] if place + 1 < len(events) else None
        if b is not None and a.tones and b.tones and _makes_a_pair(a, b, one, two):
            found += [Event(one * a.length, a.tones, a.marks)]
            found += [Event(two * b.length, b.tones, b.marks)]
            place, count = place + 2, count + 2
        else:
            found.append(a)
            place += 1
    return found if count >= FEWEST_EQUAL else []


def _makes_a_pair(a: Event, b: Event, one: Fraction, two: Fraction) -> bool:
    return a.length == b.length and one * a.length in TYPES and two * a.length in TYPES


def _growing(events: Sequence[Event]) -> list[tuple[Event, ...]]:
    """Two notes and a rest, three and a rest, and so on, a bar each."""
    bars = []
    for count in range(2, len(events) + 1):
        notes = events[:count]
        filled = sum((event.length for event in notes), Fraction(0))
        bars.append((*notes, *(rest(length) for length in rests_of(-filled % 1 + 1))))
    return bars


def _in_bars(events: Sequence[Event]) -> list[tuple[Event, ...]]:
    """Never more than four quarters in a bar."""
    bars: list[list[Event]] = [[]]
    filled = Fraction(0)
    for event in events:
        if bars[-1] and filled + event.length > BAR:
            bars.append([])
            filled = Fraction(0)
        bars[-1].append(event)
        filled += event.length
    return [tuple(bar) for bar in bars if bar]


def joined(drills: Sequence[Drill]) -> Drill | None:
    """All of them one after the other, as one."""
    if not drills:
        return None
    first = drills[0]
    return Drill(
        name=first.name,
        title="The way there",
        instrument=first.instrument,
        tempo=first.tempo,
        bars=tuple(bar for drill in drills for bar in drill.bars),
        key=first.key,
        asked=first.asked,
    )
