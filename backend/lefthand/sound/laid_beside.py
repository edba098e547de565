"""Two takes of one drill laid beside each other: what moved, and what cannot be told from chance.

A difference counts from twice its standard error on, the errors of both takes added in squares, and
never from less than what the method itself can tell.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from math import hypot
from typing import Any

from lefthand.sound.words import NAMES, off_words

LEAST_CENTS = 4.0  # a finger's mean lies within this of the truth in 95 of 100 takes
SURE = 2.0  # standard errors


@dataclass(frozen=True, slots=True)
class FingerBeside:
    """cents: before and after; give: twice the standard error of each."""

    finger: int
    cents: tuple[float, float]
    give: tuple[float, float]
    is_moved: bool

    @property
    def moved(self) -> float:
        return self.cents[1] - self.cents[0]


@dataclass(frozen=True, slots=True)
class LaidBeside:
    """spread: % of the spacings before and after, None where one take does not tell it."""

    fingers: tuple[FingerBeside, ...]
    spread: tuple[float, float] | None
    is_spread_moved: bool

    @property
    def sentence(self) -> str:
        return _sentence(self)


def laid_beside(before: Mapping[str, Any], after: Mapping[str, Any]) -> LaidBeside:
    """Of two `jolf-take/1` that can be used."""
    fingers = []
    for name in sorted(before["fingers"].keys() & after["fingers"].keys()):
        one, two = before["fingers"][name], after["fingers"][name]
        least = max(LEAST_CENTS, SURE * hypot(one["uncertainty"], two["uncertainty"]))
        fingers.append(
            FingerBeside(
                finger=int(name),
                cents=(one["cents"], two["cents"]),
                give=(SURE * one["uncertainty"], SURE * two["uncertainty"]),
                is_moved=abs(two["cents"] - one["cents"]) > least,
            )
        )
    first, second = before["evenness"], after["evenness"]
    if first is None or second is None:
        return LaidBeside(tuple(fingers), None, is_spread_moved=False)
    spread = first["cv"], second["cv"]
    unsure = max(SURE * hypot(first["uncertainty"], second["uncertainty"]), 1.0)
    can_be_told = max(spread) > max(first["least"], second["least"])
    is_moved = can_be_told and abs(spread[1] - spread[0]) > unsure
    return LaidBeside(tuple(fingers), spread, is_moved)


def _sentence(found: LaidBeside) -> str:
    parts = [
        f"the {NAMES[each.finger]} went {'up' if each.moved > 0 else 'down'} by "
        f"{abs(each.moved):.0f} cents and is {_now(each.cents[1])}"
        for each in found.fingers
        if each.is_moved
    ]
    if found.spread and found.is_spread_moved:
        less = found.spread[0] - found.spread[1]
        parts.append(f"{'more' if less > 0 else 'less'} even by {abs(less):.0f} %")
    if not parts:
        return "Nothing changed that can be told from chance."
    sentence = "; ".join(parts)
    return f"{sentence[:1].upper()}{sentence[1:]}."


def _now(cents: float) -> str:
    return "in tune" if abs(cents) < LEAST_CENTS else off_words(cents)
