"""The way to a place without the trouble: where to begin, at what tempo, in what steps, and a drill
made of its own notes."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from lefthand.music.keys import FIFTHS, key_with
from lefthand.music.score import BAR, Drill, Event, Tone, rest
from lefthand.music.strings import Pitch
from lefthand.passage.levels import Ease
from lefthand.passage.places import THUMB, Hand
from lefthand.passage.played import Played
from lefthand.passage.release import Release
from lefthand.values.vocabulary import Instrument

LOOSE_SHARE, MOST_OF_GOAL, LEAST_OF_GOAL = 0.75, 0.6, 0.2
SLOWEST = 20  # quarters a minute
STEP = 1.07
MOST_STEPS = 30
OVER_NOTES = 4
ADDED = 8  # notes of the part that grows
LONGEST_NOTE = Fraction(4)
TWICE = 2


@dataclass(frozen=True, slots=True)
class LeadIn:
    """start, goal: quarters a minute; steps: from the one to the other. stages: bars (places in the
    piece) to practise, the hardest first, then with what leads to it."""

    bars: tuple[int, ...]
    start: int
    goal: int
    steps: tuple[int, ...]
    stages: tuple[tuple[int, int], ...]


def notes_a_second(line: Sequence[Played], bars: Sequence[int]) -> float:
    """The most over five notes running in these bars."""
    starts = [note.at for note in line if note.bar in bars and not note.is_grace]
    over = min(OVER_NOTES, len(starts) - 1)
    if over < 1:
        return 0.0
    return max(over / max(0.05, starts[at + over] - starts[at]) for at in range(len(starts) - over))


def tempo_steps(rate: float, goal: float, ease: Ease) -> tuple[int, ...]:
    """From a tempo at which the hand stays loose, at most 0.6 of the goal, to the goal, by 7 %."""
    share = min(MOST_OF_GOAL, LOOSE_SHARE * ease.calm / rate) if rate else MOST_OF_GOAL
    start = min(goal, max(SLOWEST, goal * max(LEAST_OF_GOAL, share)))
    steps = [start]
    while steps[-1] * STEP < goal and len(steps) < MOST_STEPS:
        steps.append(steps[-1] * STEP)
    return tuple(dict.fromkeys([*(round(step) for step in steps), round(goal)]))


def stages_of(line: Sequence[Played], bars: Sequence[int], count: int) -> list[tuple[int, int]]:
    """The place, the place with the bars about it, and its phrase."""
    first, last = bars[0], bars[-1]
    ends = sorted({note.bar for note in line if note.ends_phrase} | {count - 1})
    phrase_end = next(bar for bar in ends if bar >= last)
    phrase = next((bar + 1 for bar in reversed(ends) if bar < first), 0)
    about = (max(phrase, first - 2), min(phrase_end, last + 2))
    return list(dict.fromkeys([(first, last), about, (phrase, phrase_end)]))


def lead_in(
    line: Sequence[Played], bars: Sequence[int], whole: int, goal: float, ease: Ease
) -> LeadIn:
    """To some bars of a piece of so many."""
    steps = tempo_steps(notes_a_second(line, bars), goal, ease)
    stages = tuple(stages_of(line, bars, whole))
    return LeadIn(tuple(bars), steps[0], steps[-1], steps, stages)


def drill_for(
    line: Sequence[Played],
    hands: Sequence[Hand | None],
    bars: Sequence[int],
    releases: Sequence[Release],
    instrument: Instrument,
    fifths: int = 0,
    tempo: int = 60,
) -> Drill | None:
    """Slow, twice as long; a note more each time, the hand hanging in the rest; as it is written.
    In the slow part the places to let go are stops. None where the thumb lies on the string."""
    stops = {release.place for release in releases}
    own = [
        (place, event)
        for place, note in enumerate(line)
        if note.bar in bars
        and not note.is_grace
        and (event := _event(line, hands, place)) is not None
    ]
    if not own or any(tone.finger == THUMB for _, event in own for tone in event.tones):
        return None
    slow = [_longer(event, stopped=place in stops) for place, event in own]
    plain = [event for _, event in own]
    whole = [*_in_bars(slow), *_growing(plain[:ADDED]), *_in_bars(plain)]
    return Drill(
        name="lead_in",
        title="The way there",
        instrument=instrument,
        tempo=tempo,
        bars=tuple(whole),
        key=key_with(min(max(fifths, FIFTHS.start), FIFTHS.stop - 1), is_minor=False),
        asked=(("bars", [bar + 1 for bar in bars]),),
    )


def _event(line: Sequence[Played], hands: Sequence[Hand | None], place: int) -> Event | None:
    note, hand = line[place], hands[place]
    if hand is None or not note.tones:
        return None
    following = next((n for n in line[place + 1 :] if not n.is_grace), None)
    length = note.length
    if following is not None:
        length = min(length, following.onset - note.onset) or length
    pitches = {tone.pitch.midi: tone.pitch for tone in (*note.tones, *note.held)}
    tones = _tones(hand, pitches)
    marks = {"slur"} if following is not None and following.slurred else set()
    return Event(min(length, LONGEST_NOTE), tones, frozenset(marks)) if tones else None


def _tones(hand: Hand, pitches: dict[int, Pitch]) -> tuple[Tone, ...]:
    ranked = sorted(pitches)
    places = hand.places if len(hand.places) <= len(ranked) else hand.places[-len(ranked) :]
    chosen = ranked[-len(places) :]
    return tuple(
        Tone(pitches[midi], place.finger, place.string)
        for midi, place in zip(chosen, places, strict=True)
    )


def _longer(event: Event, *, stopped: bool) -> Event:
    marks = frozenset({"stop"}) if stopped else frozenset()
    return Event(min(TWICE * event.length, LONGEST_NOTE), event.tones, marks)


def _growing(events: Sequence[Event]) -> list[tuple[Event, ...]]:
    """Two notes and a rest, three and a rest, and so on, a bar each."""
    bars = []
    for count in range(2, len(events) + 1):
        slow = [Event(min(TWICE * e.length, LONGEST_NOTE), e.tones) for e in events[:count]]
        filled = sum((event.length for event in slow), Fraction(0))
        bars.append((*slow, rest(-filled % 1 + 1)))
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
