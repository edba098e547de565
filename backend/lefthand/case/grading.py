"""From a measured number to a grade.

The cut-offs of the nine-point looseness test are those of Malfait et al., "The 2017 international
classification of the Ehlers-Danlos syndromes", Am J Med Genet C 175:8-26 (>= 6 before puberty,
>= 5 up to 50 years, >= 4 above). A value on an edge gets the milder grade.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.values.errors import InputError
from lefthand.values.measures import MEASURES, Cuts

PUBERTY_TAKEN_AT = 13
FOURTH_FINGER_LESS = 10.0


@dataclass(frozen=True, slots=True)
class Body:
    """What the looseness cut-off depends on. `age` in years, None when unknown (taken as adult)."""

    age: float | None = None
    before_puberty: bool | None = None


ANY_BODY = Body()


def grade_of(
    measure: str,
    value: float,
    *,
    body: Body = ANY_BODY,
    finger: int | None = None,
    cuts: Mapping[str, Cuts] | None = None,
) -> int:
    """Grade 0..3 of a measured `value` in the measure's unit. Raises InputError out of range."""
    spec = MEASURES[measure]
    if not math.isfinite(value) or not spec.low <= value <= spec.high:
        raise InputError(
            measure, f"expected {spec.low:g} to {spec.high:g} {spec.unit}, got {value!r}"
        )
    if measure == "laxity_score":
        return _laxity_grade(value, body)
    edges = (cuts or {}).get(measure, spec.cuts)
    if measure == "middle_angle" and finger == 4:
        edges = (
            edges[0] - FOURTH_FINGER_LESS,
            edges[1] - FOURTH_FINGER_LESS,
            edges[2] - FOURTH_FINGER_LESS,
        )
    sign = 1 if spec.higher_is_worse else -1
    return sum(sign * value > sign * edge for edge in edges)


def laxity_cutoff(body: Body) -> int:
    """Published cut-off of the nine-point test for this body."""
    young = body.before_puberty
    if young is None:
        young = body.age is not None and body.age < PUBERTY_TAKEN_AT
    if young:
        return 6
    return 4 if body.age is not None and body.age > 50 else 5


def _laxity_grade(score: float, body: Body) -> int:
    if score != int(score):
        raise InputError("laxity_score", f"expected whole points, got {score!r}")
    over = int(score) - laxity_cutoff(body)
    if over > 0:
        return 3
    if over == 0:
        return 2
    return 1 if over >= -2 else 0
