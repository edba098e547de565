"""Bars of one part that hold two voices."""

from collections import defaultdict
from collections.abc import Iterable, Sequence
from fractions import Fraction

from lefthand.music.reading.notes import Written
from lefthand.words import told


def bars_of_two_voices(found: Iterable[tuple[Fraction, int, Written]]) -> list[int]:
    """Places of the bars in which two voices have notes that the other has not; (onset, bar, note)
    each. Grace notes do not count."""
    bars: dict[int, dict[str, set[tuple[Fraction, int]]]] = defaultdict(lambda: defaultdict(set))
    for onset, bar, written in found:
        if written.tone is not None and not written.is_grace:
            bars[bar][written.voice].add((onset, written.tone.pitch.midi))
    return [bar for bar, voices in bars.items() if _own(list(voices.values())) > 1]


def _own(voices: Sequence[set[tuple[Fraction, int]]]) -> int:
    """How many voices have a note of their own."""
    return sum(
        bool(voice.difference(*voices[:at], *voices[at + 1 :])) for at, voice in enumerate(voices)
    )


def two_voices_words(numbers: Sequence[str]) -> str:
    """numbers: of the bars, as printed."""
    words: str = told("piece-two-voices", count=len(numbers), first=numbers[0])
    return words
