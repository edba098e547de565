"""What can be measured, in which unit, and where numbers turn into grades.

The edges are working judgement of teaching practice, with no published source. A teacher may set
other edges; a way of teaching may have its own. METHOD_SEM is working judgement beside its reason;
a teacher's own repeats replace it.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

Cuts = tuple[float, float, float]


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
    "late_share": Measure(
        "share", "share of bow starts that the finger comes after", (0.2, 0.45, 0.75), True, 0, 1
    ),
    "evenness_rise": Measure("points", "unevenness, fast minus slow", (2, 5, 10), True, -100, 300),
    "shrink_cents": Measure(
        "cents", "third and fourth, fast minus slow", (-5, -12, -25), False, -600, 600
    ),
    "share_before_tight": Measure(
        "share", "share played before it tightens", (1, 0.75, 0.4), False, 0, 1
    ),
}

# Standard error of one measuring as a teacher does it, in the unit of the measure, and where the
# number comes from. Measures that are missing here have none: nothing is called a change then.
METHOD_SEM: Mapping[str, tuple[float, str]] = {
    "hold_seconds": (0.5, "half a second of the thumb on the timer, before and after"),
    "reach_margin": (2.0, "a millimetre on the ruler at either end of the span"),
    "laxity_score": (0.5, "one point of nine is easily seen otherwise"),
    "elbow_offset": (0.1, "a tenth of a hand's width between two takings of one picture"),
    "tip_angle": (3.0, "two takings of the points of a fingertip joint"),
    "middle_angle": (3.0, "two takings of the points of a middle joint"),
    "arch_seconds": (0.5, "half a second of the thumb on the timer, before and after"),
    "pressure_slack": (0.08, "one of the steps between whispering and full tone"),
    "fourth_cents": (4.0, "finger means of one drill played twice"),
    "vibrato_share": (0.1, "widths of one note held twice"),
    "neighbour_share": (0.1, "one note of ten heard otherwise"),
    "late_share": (0.12, "one start of eight heard otherwise"),
    "evenness_rise": (1.0, "unevenness of one drill played twice"),
    "shrink_cents": (4.0, "finger means of one drill played twice"),
    "share_before_tight": (0.1, "one line of ten told otherwise"),
}
# The least real change of two measurings by their standard error: 1.96 * sqrt(2) of it (Weir,
# "Quantifying test-retest reliability using the intraclass correlation coefficient and the SEM", J.
# Strength Cond. Res. 19, 2005).
REAL_CHANGE = 1.96 * math.sqrt(2)

# What points on a picture of the hand tell; some have no edges between grades and stay a look.
ON_PICTURES = (
    *("tip_angle", "middle_angle", "base_height", "gap"),
    *("wrist_line", "thumb_opening", "elbow_offset"),
)
