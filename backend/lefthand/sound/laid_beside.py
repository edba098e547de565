"""Two takes of one drill laid beside each other: what moved, and what cannot be told from chance.

A difference counts from twice its standard error on, the errors of both takes added in squares, and
never from less than what the method itself can tell.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from math import hypot
from typing import Any

from lefthand.sound.notes import beyond_ear
from lefthand.sound.words import named, off
from lefthand.values.said import Said, said
from lefthand.words import words_of

LEAST_CENTS = 4.0  # a finger's mean lies within this of the truth in 95 of 100 takes
SURE = 2.0  # standard errors
# A width of vibrato lies within 10 % or this of the truth in 95 of 100 takes.
LEAST_WIDTH, WIDTH_SHARE = 4.0, 0.1
# The least that a share of two takes must differ by; working judgement, no source.
LEAST_SHARE = 0.15
NEVER = 1.0  # a take that does not tighten is played through
VIBRATO, TIRING = "vibrato.narrow", "fades.early"
SHARES = {
    "neighbour.muted": "beside-muted",
    "press.excess": "beside-pressed",
    "finger.late": "beside-late",
    TIRING: "beside-tightens",
}


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
class MeasuredBeside:
    """What the check itself measures. finger: None for the hand as a whole. values: before and
    after, in `unit`: cents, or a share 0..1."""

    finger: int | None
    values: tuple[float, float]
    unit: str
    is_moved: bool


@dataclass(frozen=True, slots=True)
class LaidBeside:
    """spread: % of the spacings before and after, None where one take does not tell it. measured:
    what the check `evidence` was asked for, where it is neither pitch nor spacing."""

    fingers: tuple[FingerBeside, ...]
    spread: tuple[float, float] | None
    is_spread_moved: bool
    evidence: str = ""
    measured: tuple[MeasuredBeside, ...] = ()

    @property
    def is_moved(self) -> bool:
        """Anything changed that can be told from chance."""
        by_finger = any(each.is_moved for each in self.fingers)
        return self.is_spread_moved or by_finger or any(each.is_moved for each in self.measured)

    @property
    def sentence(self) -> str:
        return _sentence(self)


def laid_beside(
    before: Mapping[str, Any], after: Mapping[str, Any], evidence: str = ""
) -> LaidBeside:
    """Of two `jolf-take/1` that can be used. `evidence`: the check that they were asked for."""
    measured = tuple(_measured(before, after, evidence))
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
        return LaidBeside(tuple(fingers), None, False, evidence, measured)
    spread = first["cv"], second["cv"]
    (one, its), (two, others) = (
        beyond_ear(each["cv"], each["uncertainty"], each["least"]) for each in (first, second)
    )
    is_moved = abs(two - one) > max(SURE * hypot(its, others), 1.0)
    return LaidBeside(tuple(fingers), spread, is_moved, evidence, measured)


def _measured(
    before: Mapping[str, Any], after: Mapping[str, Any], evidence: str
) -> Iterator[MeasuredBeside]:
    if evidence == VIBRATO:
        for finger in sorted(before["vibrato"].keys() & after["vibrato"].keys()):
            one, two = (take["vibrato"][finger]["width"] for take in (before, after))
            least = hypot(*(max(LEAST_WIDTH, WIDTH_SHARE * width) for width in (one, two)))
            yield MeasuredBeside(int(finger), (one, two), "cents", abs(two - one) > least)
    elif evidence == TIRING:
        heard = [take["tightens_from"] for take in (before, after)]
        if heard != [None, None]:
            one, two = (NEVER if each is None else each for each in heard)
            yield MeasuredBeside(None, (one, two), "share", abs(two - one) > LEAST_SHARE)
    elif evidence in SHARES:
        told = [take["observations"].get(evidence, {}) for take in (before, after)]
        for finger in sorted(told[0].keys() & told[1].keys()):
            one, two = (each[finger]["value"] for each in told)
            yield MeasuredBeside(int(finger), (one, two), "share", abs(two - one) > LEAST_SHARE)


def _sentence(found: LaidBeside) -> str:
    told = [_of_measured(each, found.evidence) for each in found.measured if each.is_moved]
    told += [
        said(
            "beside-up" if each.moved > 0 else "beside-down",
            finger=named(each.finger),
            cents=round(abs(each.moved)),
            now=_now(each.cents[1]),
        )
        for each in found.fingers
        if each.is_moved
    ]
    if found.spread and found.is_spread_moved:
        less = found.spread[0] - found.spread[1]
        message = "beside-more-even" if less > 0 else "beside-less-even"
        told.append(said(message, percent=round(abs(less))))
    parts = "; ".join(words_of(each) for each in told)
    return words_of(said("sound-two", parts=parts) if parts else said("beside-nothing"))


def _of_measured(each: MeasuredBeside, evidence: str) -> Said:
    finger = {} if each.finger is None else {"finger": named(each.finger)}
    one, two = each.values
    if evidence == VIBRATO:
        return said("beside-vibrato", **finger, before=round(one), now=round(two))
    if evidence == TIRING and two == NEVER:
        return said("beside-tightened-before", before=round(100 * one))
    if evidence == TIRING and one == NEVER:
        return said("beside-tightens-now", now=round(100 * two))
    shares = {"before": round(100 * one), "now": round(100 * two)}
    return said(SHARES[evidence], **finger, **shares)


def _now(cents: float) -> Said:
    return said("beside-in-tune") if abs(cents) < LEAST_CENTS else off(cents)
