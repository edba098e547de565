"""A drill set for a page or a phone: as many bars a line as stand there at ease, no line drawn
apart."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import pairwise

from lefthand.music.engraving import SCALE, STAFF, Style, engrave, size_of
from lefthand.music.musicxml import Shown, line_starts, to_musicxml
from lefthand.music.score import Drill
from lefthand.music.strings import FINGERBOARDS
from lefthand.values.vocabulary import Instrument

MOST_APART = 1.6  # times its natural width, for a line
MOST, MOST_OF_EIGHTHS = 8, 6  # bars
MOST_WITH_WORDS = 8  # notes on a line
BETWEEN_SYSTEMS = 3  # half spaces
LINES_TOGETHER = 4  # lines of long music that never part
# Semitones above the open string that a finger and a pitch leave no doubt about: first position.
FIRST_POSITION = {
    Instrument.VIOLIN: 7,
    Instrument.VIOLA: 7,
    Instrument.CELLO: 6,
    Instrument.BASS: 5,
}
WIDE = 4000.0


@dataclass(frozen=True, slots=True)
class SetMusic:
    """An SVG picture of `bars` with its size: mm on paper, units of the engraver on a phone."""

    svg: str
    width: float
    height: float
    bars: int


@dataclass(frozen=True, slots=True)
class Density:
    """`staff`: height of its four spaces, mm; `notes`: most on a line."""

    staff: float
    notes: int


def set_drill(
    drill: Drill, width: float, density: Density, *, seed: int = 1, strings_named: bool = True
) -> list[SetMusic]:
    """Music without tempo and hint, which stand in the text, in parts that never break: one, or of
    long music some lines each. `width`: most, mm; `strings_named`: also where finger and pitch
    leave no doubt."""
    shown = _shown(drill, strings_named=strings_named)
    scale = density.staff / STAFF
    limit = width / scale

    def natural(bars: int) -> int:
        score = to_musicxml(drill, bars_a_line=bars, shown=shown, exactly=True)
        return size_of(_engraved(score, 3 * limit, seed, Style.NATURAL))[0]

    fullest = max(len(bar) for bar in drill.bars)
    most = MOST_OF_EIGHTHS if _has_eighths(drill) else MOST
    notes = min(density.notes, MOST_WITH_WORDS) if _says_what_stays(drill) else density.notes
    bars = max(1, min(most, len(drill.bars), notes // fullest))
    wide = natural(bars)
    while wide > limit and bars > 1:
        bars = max(1, min(bars - 1, int(bars * limit / wide)))
        wide = natural(bars)
    across = min(limit, wide * MOST_APART)
    parts = _scores(drill, shown, bars * LINES_TOGETHER, bars)
    drawn = [
        (_engraved(score, across, seed + first, Style.PAPER), count)
        for first, count, score in parts
    ]
    sized = ((svg, *size_of(svg), count) for svg, count in drawn)
    return [SetMusic(svg, wide * scale, high * scale, count) for svg, wide, high, count in sized]


def phone_lines(drill: Drill, *, seed: int = 1, strings_named: bool = True) -> list[SetMusic]:
    """The music a line at a time, two bars or four of few notes, each as wide as it needs."""
    shown = _shown(drill, strings_named=strings_named)
    bars = 4 if all(len(bar) <= 2 for bar in drill.bars) else 2
    drawn = [
        (_engraved(score, WIDE, seed * 1000 + first, Style.NATURAL), count)
        for first, count, score in _scores(drill, shown, bars, bars)
    ]
    return [SetMusic(svg, *size_of(svg), count) for svg, count in drawn]


def has_doubt(drill: Drill) -> bool:
    """A finger stands beyond the first position, where the string must be told."""
    strings = FINGERBOARDS[drill.instrument].strings
    reach = FIRST_POSITION[drill.instrument]
    tones = [tone for _, event in drill.events() for tone in event.tones]
    return any(tone.pitch.midi - strings[tone.string].midi > reach for tone in tones)


def _shown(drill: Drill, *, strings_named: bool) -> Shown:
    return Shown(
        opening=False, legend=False, strings="above" if strings_named or has_doubt(drill) else ""
    )


def _scores(
    drill: Drill, shown: Shown, most: int, bars_a_line: int
) -> Iterator[tuple[int, int, str]]:
    """(first bar, bars, MusicXML) of parts of at most `most` bars."""
    for first, part in _parts(drill, most, is_even=bars_a_line):
        count = len(part.bars)
        told = replace(shown, first_bar=first + 1, closes=first + count == len(drill.bars))
        yield first, count, to_musicxml(part, bars_a_line=bars_a_line, shown=told, exactly=True)


def _parts(drill: Drill, most: int, *, is_even: int) -> Iterator[tuple[int, Drill]]:
    """Parts of at most `most` bars in lines of `is_even`, each with the bar that it begins at,
    counted from 0."""
    lines = [0, *line_starts(len(drill.bars), is_even), len(drill.bars)]
    step = max(1, most // is_even)
    starts = [*lines[:-1:step], len(drill.bars)]
    for first, end in pairwise(starts):
        before = [key for bar, key in drill.keys if bar <= first]
        yield (
            first,
            replace(
                drill,
                bars=drill.bars[first:end],
                key=before[-1] if before else drill.key,
                keys=tuple((bar - first, key) for bar, key in drill.keys if first < bar < end),
            ),
        )


def _engraved(score: str, width: float, seed: int, style: Style) -> str:
    units = round(width * 100 / SCALE)
    return engrave(score, seed=seed, width=units, room=BETWEEN_SYSTEMS, style=style)


def _says_what_stays(drill: Drill) -> bool:
    """Words below the staff in bars of more than a note each, which need their room."""
    return any(len({event.kept for event in bar}) > 1 for bar in drill.bars)


def _has_eighths(drill: Drill) -> bool:
    return any(event.length < 1 for _, event in drill.events())
