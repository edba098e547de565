"""A lesson's case as far as it speaks of the causes: who plays, and what was found."""

from collections.abc import Mapping
from dataclasses import replace

from lefthand.case.case import Case, Finding
from lefthand.values.vocabulary import Instrument, Level
from studio.memory.findings import age_at, findings_of, way_of_teaching, youngest_age_at
from studio.memory.last_time import own_complaint
from studio.models import Lesson, Player


def who_plays(player: Player, lesson: Lesson | None) -> Case:
    """The player at a lesson, without findings."""
    age = age_at(player, lesson) if lesson else None
    return Case(
        Instrument(player.instrument), {}, Level(player.level), age, hours_a_day=player.hours_a_day
    )


def plain_case(lesson: Lesson, findings: Mapping[str, Finding] | None = None) -> Case:
    """The case of a lesson alone, without what was before it. `findings`: where they are known."""
    player = lesson.player
    return replace(
        who_plays(player, lesson),
        findings=findings_of(lesson) if findings is None else findings,
        youngest_age=youngest_age_at(player, lesson),
        way_of_teaching=way_of_teaching(player),
        complaint=own_complaint(lesson),
        complaint_finger=lesson.complaint_finger,
    )
