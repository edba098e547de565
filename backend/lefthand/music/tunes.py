"""Traditional tunes, in the public domain, as semitones above the root with lengths in quarters.

Written down from memory; each stands in four-four time and fits one octave.
"""

from dataclasses import dataclass
from fractions import Fraction

_LENGTHS = {"": Fraction(1), "-": Fraction(2), "--": Fraction(4), "'": Fraction(1, 2)}


@dataclass(frozen=True, slots=True)
class Tune:
    title: str
    origin: str
    notes: tuple[tuple[int, Fraction], ...]


def _line(text: str) -> tuple[tuple[int, Fraction], ...]:
    """Read "0 0 7' 7' 9-": a number a quarter; - after it a half, -- a whole, ' an eighth."""
    notes = []
    for word in text.split():
        number = word.rstrip("-'")
        notes.append((int(number), _LENGTHS[word[len(number) :]]))
    return tuple(notes)


TUNES: tuple[Tune, ...] = (
    Tune(
        "Star tune",
        "French melody of the eighteenth century",
        _line("0 0 7 7 9 9 7- 5 5 4 4 2 2 0- 7 7 5 5 4 4 2- 7 7 5 5 4 4 2- 0 0 7 7 9 9 7-"),
    ),
    Tune(
        "Brother, are you sleeping",
        "French round",
        _line("0 2 4 0 0 2 4 0 4 5 7- 4 5 7- 7' 9' 7' 5' 4 0 7' 9' 7' 5' 4 0"),
    ),
    Tune(
        "Little lamb",
        "American children's song of the nineteenth century",
        _line("4 2 0 2 4 4 4- 2 2 2- 4 7 7- 4 2 0 2 4 4 4 4 2 2 4 2 0--"),
    ),
    Tune(
        "Buns for sale",
        "English street cry",
        _line("4- 2- 0-- 4- 2- 0-- 0 0 0 0 2 2 2 2 4- 2- 0--"),
    ),
    Tune(
        "The old grey goose",
        "American folk song",
        _line("4- 4 2 0- 0- 2- 2- 5 4 2 0 7- 7 5 4- 4 4 2 0 2 4 0--"),
    ),
    Tune(
        "Row along",
        "German folk song",
        _line("7 4 4- 5 2 2- 0 2 4 5 7 7 7- 7 4 4- 5 2 2- 0 4 7 7 0--"),
    ),
    Tune(
        "By the moonlight",
        "French song of the eighteenth century",
        _line("0 0 0 2 4- 2- 0 4 2 2 0-- 0 0 0 2 4- 2- 0 4 2 2 0--"),
    ),
)
