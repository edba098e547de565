"""A take of a passage set beside what was expected: from which bar it tightens, and which bars were
farthest from the rest.

What was heard of a bar is how unusual its notes are within the take, in robust deviations: pitch
from where the finger began, spacing and clearness, as in `lefthand.sound.tiring`. It is set beside
the expected load and changes nothing in it: both are for the teacher to see.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from lefthand.passage.passage import Passage
from lefthand.passage.played import Played
from lefthand.sound.score import Score, ScoreNote
from lefthand.sound.take import Take
from lefthand.values.errors import InputError

STRINGS = 4
LONGEST = 45.0  # s
MOST_SECONDS = 60  # of one place, however it was chosen
MOST_BARS = 16
A4 = 440.0
STANDS_OUT = 2.5  # robust deviations; all bars of 60 even made-up takes stayed below


@dataclass(frozen=True, slots=True)
class HeardBars:
    """worse: mean deviation of the notes of each bar (place in the piece), less for few notes, None
    where none was heard. tightens: the bar from which it tightens; None where it does not. is_long:
    enough notes to tell that."""

    worse: dict[int, float | None]
    tightens: int | None
    is_long: bool

    @property
    def hardest(self) -> int | None:
        """The bar that stands out most; None where none does."""
        known = {bar: worse for bar, worse in self.worse.items() if worse and worse >= STANDS_OUT}
        return max(known, key=lambda bar: known[bar]) if known else None


def bars_to_play(passage: Passage, heart: Sequence[int], tempo: float) -> range:
    """Some bars about a place, as many as a take of 45 s holds, sixteen at most."""
    first, last = heart[0], heart[-1]

    def fits(low: int, high: int) -> bool:
        bars = passage.piece.bars[low : high + 1]
        quarters = float(sum(bar.length for bar in bars))
        return quarters * 60 / tempo <= LONGEST and high - low < MOST_BARS

    while True:
        wider = [(first - 1, last), (first, last + 1)]
        if (last - heart[-1]) < (heart[0] - first):
            wider.reverse()
        usable = [w for w in wider if w[0] in passage.shown and w[1] in passage.shown and fits(*w)]
        if not usable:
            return range(first, last + 1)
        first, last = usable[0]


def score_of(passage: Passage, bars: range, tempo: float) -> tuple[Score, list[int]]:
    """What is to be heard at so many quarters a minute, and the bar of each note. Raises InputError
    on `bars` for what is not one line, or cannot be stopped."""
    notes: list[ScoreNote] = []
    at: list[int] = []
    here = [
        (note, hand)
        for note, hand in zip(passage.line, passage.fingering.hands, strict=True)
        if note.bar in bars and not note.is_grace
    ]
    if not here:
        raise InputError("bars", "there is nothing to play in these bars")
    begin = here[0][0].onset
    seconds = float(here[-1][0].onset + here[-1][0].length - begin) * 60 / tempo
    if seconds > MOST_SECONDS:
        problem = f"last {seconds:.0f} seconds at this tempo: expected {MOST_SECONDS} at most"
        raise InputError("bars", problem)
    following: list[Played | None] = [*(note for note, _ in here[1:]), None]
    for (note, hand), after in zip(here, following, strict=True):
        if hand is None or len(note.tones) != 1 or note.held:
            raise InputError("bars", "double stops cannot be measured: choose bars without them")
        place = hand.places[0]
        notes.append(
            ScoreNote(
                midi=note.tones[0].pitch.midi,
                finger=place.on_string,
                string=STRINGS - place.string,
                onset=float(note.onset - begin) * 60 / tempo,
                seconds=float(note.length) * 60 / tempo,
                bound=after is not None and after.slurred,
                bar=note.bar + 1,
            )
        )
        at.append(note.bar)
    slurred = sum(note.bound for note in notes) > len(notes) / 2
    return Score(passage.asked.instrument, A4, slurred, notes), at


def bars_heard(take: Take, at: Sequence[int]) -> HeardBars:
    """at: the bar of each note of the take's score, as `score_of` tells it."""
    worse: dict[int, list[float]] = {bar: [] for bar in at}
    for note, strain in zip(take.notes, take.strain, strict=True):
        worse[at[note.place]].append(strain)
    tightens = None
    if take.tightens_from is not None and take.tightens_from < 1:
        first, last = take.notes[0].at, take.notes[-1].at + take.notes[-1].seconds
        turn = first + take.tightens_from * (last - first) - 1e-6
        tightens = next(at[note.place] for note in take.notes if note.at >= turn)
    # As if one more note were as usual: a bar of a single note does not stand out by chance.
    means = {bar: sum(each) / (len(each) + 1) if each else None for bar, each in worse.items()}
    return HeardBars(means, tightens, take.tightens_from is not None)
