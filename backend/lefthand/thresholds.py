"""From a measured number to a grade.

The cut points are working judgement of teaching practice, with no published source, except the
cut-offs of the nine-point looseness test: Malfait et al., "The 2017 international classification
of the Ehlers-Danlos syndromes", Am J Med Genet C 175:8-26 (>= 6 before puberty, >= 5 up to 50
years, >= 4 above). A teacher may pass other cut points. A value on an edge gets the milder grade.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.errors import InputError

Cuts = tuple[float, float, float]

PUBERTY_TAKEN_AT = 13
FOURTH_FINGER_LESS = 10.0


@dataclass(frozen=True, slots=True)
class Measure:
    """What is measured.

    `cuts` are the edges between grades 0|1, 1|2 and 2|3. `higher_is_worse` tells the direction.
    `low` and `high` bound what can be measured at all.
    """

    unit: str
    words: str
    cuts: Cuts
    higher_is_worse: bool
    low: float
    high: float


_SCORE = Measure("points of 9", "nine-point looseness score", (0, 0, 0), True, 0, 9)
MEASURES: Mapping[str, Measure] = {
    "hold_seconds": Measure("s", "seconds held without the left hand", (4, 2, 1), False, 0, 600),
    "reach_margin": Measure(
        "%", "easy span more than the needed span", (0, -8, -15), False, -100, 300
    ),
    "laxity_score": _SCORE,
    "elbow_offset": Measure(
        "hand-widths", "elbow away from its plumb line", (0.25, 0.5, 1), True, -6, 6
    ),
    "tip_angle": Measure(
        "degrees", "fingertip joint, bent is positive", (10, 0, -10), False, -90, 120
    ),
    "middle_angle": Measure(
        "degrees", "middle joint, bent is positive", (30, 15, 0), False, -90, 140
    ),
    "arch_seconds": Measure("s", "seconds the shape is kept, of five", (5, 3, 1), False, 0, 60),
    "pressure_slack": Measure(
        "share", "least effort that stays clear, of the usual effort", (0.8, 0.6, 0.4), False, 0, 1
    ),
    "fourth_cents": Measure(
        "cents", "fourth against its target", (-10, -20, -35), False, -600, 600
    ),
    "vibrato_share": Measure(
        "share", "vibrato width, of that of the other fingers", (0.7, 0.5, 0.25), False, 0, 20
    ),
    "neighbour_share": Measure(
        "share", "share of the note that rings", (0.8, 0.5, 0.2), False, 0, 1
    ),
    "evenness_rise": Measure("points", "unevenness, fast minus slow", (2, 5, 10), True, -100, 300),
    "shrink_cents": Measure(
        "cents", "third and fourth, fast minus slow", (-5, -12, -25), False, -600, 600
    ),
    "share_before_tight": Measure(
        "share", "share played before it tightens", (1, 0.75, 0.4), False, 0, 1
    ),
}


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
