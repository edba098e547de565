"""The made-up player of the demo studio, who plays in the place of a microphone."""

from collections.abc import Mapping

import numpy as np

from lefthand.sound.player import Playing, Vibrato
from lefthand.sound.score import Score
from lefthand.values.vocabulary import Grade
from studio.memory.findings import findings_of
from studio.models import Lesson

FLAT = (0.0, -14.0, -26.0, -40.0)  # cents, by grade
UNEVEN = (0.8, 4.0, 8.0, 13.0)  # % when fast
SINKS = (0.0, -8.0, -18.0, -30.0)  # cents when fast
VIBRATO_HZ = 5.3
SWINGS = (30.0, 18.0, 11.0, 0.0)  # cents wide
TIRES = (None, 0.85, 0.6, 0.3)
RINGS = (1.0, 0.65, 0.35, 0.0)
LATE_SHARES = (0.0, 0.35, 0.6, 1.0)  # of the fourth's bow starts
LATE = 0.07  # s
SLACK = (0.85, 0.7, 0.5, 0.3)


def made_up_playing(lesson: Lesson, evidence: str, score: Score, *, is_fast: bool) -> Playing:
    """As the hand was found; what nobody looked at is a slight trouble or none, by lesson."""
    grades = _grades(lesson)
    draw = np.random.default_rng(lesson.pk)

    def grade(sign: str) -> int:
        known = grades.get(sign)
        return int(draw.integers(Grade.NONE, Grade.CLEAR)) if known is None else known

    flat, sinks = FLAT[grade("fourth.low")], SINKS[grade("frame.shrinks")]
    swings = evidence == "vibrato.narrow"
    lightens = evidence == "press.excess"
    narrow = SWINGS[grade("vibrato.narrow")]
    widths = {1: SWINGS[0], 2: SWINGS[0], 3: SWINGS[0], 4: narrow} if swings else {}
    return Playing(
        off={4: flat + is_fast * sinks, 3: is_fast * sinks},
        uneven=UNEVEN[grade("uneven.fast")] if is_fast else UNEVEN[0],
        vibrato={finger: Vibrato(VIBRATO_HZ, width) for finger, width in widths.items()},
        breaks=_lightened(score, SLACK[grade("press.excess")]) if lightens else (),
        tired_from=TIRES[grade("fades.early")],
        rings=RINGS[grade("neighbour.muted")],
        late={4: LATE},
        late_share=LATE_SHARES[grade("finger.late")],
    )


def _lightened(score: Score, slack: float) -> tuple[tuple[float, float], ...]:
    """Each long note breaks where so much of its weight is left."""
    whole = score.seconds
    return tuple(
        ((note.onset + (1 - slack) * note.seconds) / whole, (note.onset + note.seconds) / whole)
        for note in score.notes
    )


def _grades(lesson: Lesson) -> Mapping[str, int]:
    before = lesson.player.lessons.filter(date__lt=lesson.date).order_by("-date").first()
    found = {} if before is None else dict(findings_of(before))
    found |= findings_of(lesson)
    return {name: finding.grade for name, finding in found.items()}
