"""A lesson's findings as the core grades them, by the teacher's way and own edges."""

from typing import Any

from lefthand.case.case import Finding
from lefthand.case.findings import Grading, parse_finding
from lefthand.case.grading import Body
from lefthand.case.ways import cuts_in_force
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.measures import Cuts
from lefthand.values.vocabulary import Instrument
from studio.models import Lesson, Player


def age_at(player: Player, lesson: Lesson) -> int | None:
    """Age in whole years by the year of birth alone: the most that it can be on this day."""
    return None if player.birth_year is None else lesson.date.year - player.birth_year


def youngest_age_at(player: Player, lesson: Lesson) -> int | None:
    """The least age in whole years that the year of birth allows on this day."""
    age = age_at(player, lesson)
    born_on_the_last_day = (lesson.date.month, lesson.date.day) != (12, 31)
    return None if age is None else max(0, age - born_on_the_last_day)


def way_of_teaching(player: Player) -> dict[str, str]:
    """The teacher's way with the player's own choices over it."""
    settings = getattr(player.teacher, "studio_settings", None)
    chosen = {**(settings.way_of_teaching if settings else {}), **player.way_of_teaching}
    ways = load_catalogue().ways
    return {k: v for k, v in chosen.items() if k in ways and v in ways[k].values}


def thresholds_of(player: Player) -> dict[str, Cuts]:
    """Cut points apart from the usual ones, by measure: of the ways of teaching, the teacher's own
    over them."""
    settings = getattr(player.teacher, "studio_settings", None)
    own = {name: tuple(cuts) for name, cuts in (settings.thresholds if settings else {}).items()}
    instrument = Instrument(player.instrument)
    return {**cuts_in_force(way_of_teaching(player), load_catalogue(), instrument), **own}


def grading_of(lesson: Lesson) -> Grading:
    """What the grade of a number depends on in this lesson."""
    return Grading(Body(age_at(lesson.player, lesson)), thresholds_of(lesson.player))


def findings_of(lesson: Lesson) -> dict[str, Finding]:
    """The lesson's findings as graded by the core, without anything else of the case."""
    evidence = load_catalogue().evidence
    grading = grading_of(lesson)
    return {
        name: parse_finding(entered, evidence[name], grading)
        for name, entered in observed(lesson).items()
    }


def observed(lesson: Lesson) -> dict[str, Any]:
    """What was entered, by evidence id as it is called today.

    What the catalogue does not know any more, or not on this instrument, is left out.
    """
    catalogue = load_catalogue()
    instrument = Instrument(lesson.player.instrument)
    found = {}
    for each in lesson.observations.all():
        evidence = catalogue.evidence.get(each.evidence)
        if evidence is not None and instrument in evidence.instruments:
            found[evidence.id] = each.entered
    return found
