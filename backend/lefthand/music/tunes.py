"""Traditional tunes, in the public domain, as semitones above the root with lengths in quarters."""

from dataclasses import dataclass
from fractions import Fraction

_Q, _H = Fraction(1), Fraction(2)


@dataclass(frozen=True, slots=True)
class Tune:
    title: str
    origin: str
    notes: tuple[tuple[int, Fraction], ...]


def _line(text: str) -> tuple[tuple[int, Fraction], ...]:
    """Read "0 0 7 7 9 9 7-": a number a quarter, a dash after it a half."""
    return tuple((int(n.rstrip("-")), _H if n.endswith("-") else _Q) for n in text.split())


TUNES: tuple[Tune, ...] = (
    Tune(
        "Star tune",
        "French melody of the eighteenth century",
        _line("0 0 7 7 9 9 7- 5 5 4 4 2 2 0- 7 7 5 5 4 4 2- 7 7 5 5 4 4 2-"),
    ),
    Tune(
        "Brother, are you sleeping",
        "French round",
        _line("0 2 4 0 0 2 4 0 4 5 7- 4 5 7- 0 2 4 0 0 2 4 0"),
    ),
)
