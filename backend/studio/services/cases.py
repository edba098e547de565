"""From records to the core's case and back: what is known of a player at a lesson."""

from dataclasses import dataclass
from datetime import timedelta
from functools import cached_property
from typing import Any

from lefthand.case import Case, Finding, parse_case, parse_finding
from lefthand.catalogue import Catalogue, load_catalogue
from lefthand.diagnosis import Diagnosis, Looking, diagnose
from lefthand.focus import TeacherWord
from lefthand.learning import Count
from lefthand.looks import LookOrder
from lefthand.planning import SHORT_BREAK_WEEKS, Alternative, Plan, alternatives, prescribe
from lefthand.safety import Safety
from lefthand.thresholds import Body, Cuts
from lefthand.vocabulary import Instrument
from lefthand.ways import cuts_in_force, said_in_force
from studio.models import HomeDay, Lesson, Player
from studio.services.flags import lesson_safety
from studio.services.history import History, load_history
from studio.services.reviews import ItemReview, last_load_minutes, passed_rungs, review_last_plan

RECENT_FOCUS_DAYS = 7


@dataclass(frozen=True)
class LessonView:
    """A lesson with everything that follows from it, computed when it is asked for."""

    lesson: Lesson

    @cached_property
    def catalogue(self) -> Catalogue:
        return load_catalogue()

    @cached_property
    def history(self) -> History:
        return load_history(self.lesson)

    @cached_property
    def case(self) -> Case:
        data = case_data(self.lesson, self.history)
        return parse_case(data, self.catalogue, thresholds_of(self.lesson.player))

    @cached_property
    def word(self) -> TeacherWord:
        words = list(self.lesson.cause_words.all())
        decided = [focus.cause for focus in self.lesson.focuses.all()]
        if not decided and not self._engine_focus and self.kept is not None:
            decided = [self.kept]
        pinned = [w.cause for w in words if w.word == "pinned" and w.cause not in decided]
        dismissed = tuple(w.cause for w in words if w.word == "dismissed")
        return TeacherWord(pinned=tuple(decided + pinned), dismissed=dismissed)

    @cached_property
    def _engine_focus(self) -> tuple[str, ...]:
        plain = diagnose(self.case, self.catalogue, safety=self.safety, counts=self.counts)
        return plain.engine_focus

    @cached_property
    def counts(self) -> dict[str, Count]:
        return {cause: Count(*found) for cause, found in self.lesson.starting_counts.items()}

    @cached_property
    def kept(self) -> str | None:
        """Last lesson's main focus if it still shows, though it may not be likely any more.

        Getting better makes a cause less likely long before it is gone; work on it goes on.
        """
        if not self.history.last_focus:
            return None
        cause = self.history.last_focus[0]
        dismissed = any(
            w.cause == cause and w.word == "dismissed" for w in self.lesson.cause_words.all()
        )
        shows = any(
            finding.grade > 0 and cause in self.catalogue.evidence[name].causes
            for name, finding in self.case.findings.items()
        )
        return cause if shows and not dismissed else None

    @cached_property
    def safety(self) -> Safety:
        return lesson_safety(self.lesson, self.case)

    @cached_property
    def diagnosis(self) -> Diagnosis:
        return diagnose(
            self.case,
            self.catalogue,
            word=self.word,
            looking=Looking(
                skipped=frozenset(self.lesson.skipped), order=LookOrder(self.lesson.look_order)
            ),
            safety=self.safety,
            counts=self.counts,
        )

    @cached_property
    def says(self) -> dict[str, list[str]]:
        """What the ways in force say more about checks and exercises, by id."""
        return said_in_force(self.case.way_of_teaching, self.catalogue, self.case.instrument)

    @cached_property
    def review(self) -> list[ItemReview]:
        return review_last_plan(self.history, self.safety)

    @cached_property
    def proposal(self) -> Plan:
        return prescribe(self.diagnosis, self.catalogue, **self._wishes)

    @cached_property
    def alternatives(self) -> tuple[Alternative, ...]:
        return alternatives(self.proposal, self.diagnosis, self.catalogue, **self._wishes)

    @cached_property
    def _wishes(self) -> dict[str, Any]:
        return {
            "last_strength_minutes": last_load_minutes(self.history),
            "under_way": {r.item.exercise for r in self.review if r.is_under_way},
            "disliked": set(self.lesson.player.disliked),
        }


def case_data(lesson: Lesson, history: History) -> dict[str, Any]:
    """The lesson as `jolf-case/1`."""
    player = lesson.player
    data: dict[str, Any] = {
        "format": "jolf-case/1",
        "instrument": player.instrument,
        "level": player.level,
        "way_of_teaching": way_of_teaching(player),
        "observations": {o.evidence: o.entered for o in lesson.observations.all()},
        "reports": lesson.reports,
        "hours_a_day": player.hours_a_day,
        "break_weeks": lesson.break_weeks,
        "passed": passed_rungs(history),
        "recent_focus": recent_focus(history),
    }
    if lesson.complaint:
        data["complaint"] = lesson.complaint
    if player.birth_year is not None:
        data["age"] = age_at(player, lesson)
    if player.daily_minutes is not None:
        data["daily_minutes"] = player.daily_minutes
    if player.missing:
        known = {item for e in load_catalogue().exercises.values() for item in e.equipment}
        data["equipment"] = sorted(known - set(player.missing))
    if player.helper_at_home is not None:
        data["helper_at_home"] = player.helper_at_home
    return data


def weeks_away(lesson: Lesson, history: History) -> int | None:
    """Whole weeks since the last lesson when that is long enough to ask about; None otherwise.

    Practice that was logged at home in the two weeks before this lesson says that there was none.
    """
    if not history.earlier:
        return None
    weeks = (lesson.date - history.earlier[-1].date).days // 7
    recent = HomeDay.objects.filter(
        lesson__player=lesson.player,
        date__gte=lesson.date - timedelta(weeks=SHORT_BREAK_WEEKS),
        date__lt=lesson.date,
    ).exclude(done="not")
    return weeks if weeks >= SHORT_BREAK_WEEKS and not recent.exists() else None


def age_at(player: Player, lesson: Lesson) -> int | None:
    """Age in whole years by the year of birth alone."""
    return None if player.birth_year is None else lesson.date.year - player.birth_year


def way_of_teaching(player: Player) -> dict[str, str]:
    """The teacher's way with the player's own choices over it."""
    settings = getattr(player.teacher, "studio_settings", None)
    return {**(settings.way_of_teaching if settings else {}), **player.way_of_teaching}


def thresholds_of(player: Player) -> dict[str, Cuts]:
    """Cut points apart from the usual ones, by measure: of the ways of teaching, the teacher's own
    over them."""
    settings = getattr(player.teacher, "studio_settings", None)
    own = {name: tuple(cuts) for name, cuts in (settings.thresholds if settings else {}).items()}
    instrument = Instrument(player.instrument)
    return {**cuts_in_force(way_of_teaching(player), load_catalogue(), instrument), **own}


def recent_focus(history: History) -> list[str]:
    """Causes that were the focus in the seven days before the lesson."""
    since = history.lesson.date - timedelta(days=RECENT_FOCUS_DAYS)
    recent = [each for each in history.earlier if each.date >= since]
    return sorted({focus.cause for each in recent for focus in each.focuses.all()})


def findings_of(lesson: Lesson) -> dict[str, Finding]:
    """The lesson's findings as graded by the core, without anything else of the case."""
    player = lesson.player
    body = Body(None if player.birth_year is None else lesson.date.year - player.birth_year)
    evidence = load_catalogue().evidence
    cuts = thresholds_of(player)
    return {
        o.evidence: parse_finding(o.entered, evidence[o.evidence], body, cuts)
        for o in lesson.observations.all()
    }
