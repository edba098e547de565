"""From rows to the core's record of a lesson."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property
from typing import Any

from django.db.models import Max, Prefetch, QuerySet

from lefthand.case.case import Finding
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.change.course import lesson_findings
from lefthand.practice.doses import SHORT_BREAK_WEEKS, is_load
from lefthand.practice.pains import Pain
from lefthand.practice.plan import PlanItem as PlannedItem
from lefthand.practice.progress import PracticeDay
from lefthand.practice.record import Given, GivenWeek, LessonRecord, Shown
from lefthand.practice.standing import Standing
from lefthand.practice.week import fullest_day
from lefthand.reason.learning import Count, LessonFacts
from lefthand.reason.memory import Heard
from lefthand.reason.safety import LONG_BREAK_WEEKS
from lefthand.reason.starting import starting_probabilities
from lefthand.values.dose import Dose
from lefthand.values.said import said
from lefthand.values.vocabulary import Instrument
from lefthand.words.words import words_of
from studio.memory.findings import findings_of
from studio.memory.known import dismissed_in, focus_of, known_items, reopened_in
from studio.memory.pains import aches_before_answers, home_pains, newest_lift, told_in
from studio.memory.plain_case import plain_case, who_plays
from studio.models import HomeDay, Lesson, Plan, PlanItem, PracticeResult, RedFlag

RESULTS: "Prefetch[Any]" = Prefetch(
    "results", PracticeResult.objects.select_related("item__plan__lesson")
)
ROWS = (
    *("observations", "focuses", "cause_words", "plan__items"),
    RESULTS,
)


def lessons_with_player() -> QuerySet[Lesson]:
    """Lessons with what follows from whose they are, and the week that was given."""
    return Lesson.objects.select_related("plan", "player__teacher__studio_settings")


def lesson_rows() -> QuerySet[Lesson]:
    """Lessons with all that a record of them reads."""
    return lessons_with_player().prefetch_related(*ROWS)


@dataclass(frozen=True)
class Records:
    """Makes the records of a player's lessons. `since`: practice of weeks given on this day and
    later is read; None for all. `newest`: pain at home after this day is read; None for all."""

    player_id: int
    since: date | None = None
    newest: date | None = None

    def of(self, lesson: Lesson, before: Standing, flags: Sequence[RedFlag]) -> LessonRecord:
        """The record of a lesson before which the player stands so. `flags`: all stops of the
        player."""
        lifted = newest_lift(flags, lesson.date)
        findings = findings_of(lesson)
        return LessonRecord(
            on=lesson.date,
            facts=lesson_facts(lesson, findings),
            heard=_heard(lesson, findings),
            starts=_starts(lesson),
            instrument=Instrument(lesson.player.instrument),
            is_glance=lesson.is_glance,
            weeks_away=_weeks_away(lesson, before),
            shown=_shown(lesson, before),
            practised=self._practised(before, lesson.date),
            lifted=lifted,
            week=given_week(lesson),
            pains=self.pains(lesson, before, lifted),
            injury=lesson.reports.get("earlier_injury") is True,
        )

    def pains(self, lesson: Lesson, before: Standing, lifted: date | None) -> tuple[Pain, ...]:
        """What was told of places at home since the lesson before, and in this one."""
        home = self.home_pains(lesson, before)
        return (*home, *told_in(lesson, aches_before_answers(before, home, lifted)))

    def home_pains(self, lesson: Lesson, before: Standing) -> list[Pain]:
        """What was told at home between the lesson before and this one."""
        after = before.newest or date.min
        return [pain for pain in self._all_home_pains if after < pain.on <= lesson.date]

    @cached_property
    def _all_home_pains(self) -> list[Pain]:
        return home_pains(self.player_id, self.newest, date.max)

    def _practised(self, before: Standing, until: date) -> dict[str, tuple[PracticeDay, ...]]:
        """Days at home since the newest week was given, up to a day, by exercise."""
        if before.week_on is None:
            return {}
        days: dict[str, list[PracticeDay]] = {}
        for result in self._at_home.get(before.week_on, ()):
            if result.date <= until:
                days.setdefault(result.item.exercise, []).append(_day(result))
        return {exercise: tuple(found) for exercise, found in days.items()}

    @cached_property
    def _at_home(self) -> dict[date, list[PracticeResult]]:
        """Results from home, oldest first, by the day on which their week was given."""
        found = PracticeResult.objects.filter(
            item__plan__lesson__player=self.player_id, lesson=None
        ).select_related("item__plan__lesson")
        if self.since is not None:
            found = found.filter(item__plan__lesson__date__gte=self.since)
        by_week: dict[date, list[PracticeResult]] = {}
        exercises = load_catalogue().exercises
        for result in found.order_by("date", "pk"):
            known = exercises.get(result.item.exercise)
            if known is not None:
                result.item.exercise = known.id
                by_week.setdefault(result.item.plan.lesson.date, []).append(result)
        return by_week


def _heard(lesson: Lesson, findings: Mapping[str, Finding]) -> Heard:
    counted, outside = lesson_findings(plain_case(lesson, findings), load_catalogue())
    grades = {name: finding.grade for name, finding in counted.items()}
    return Heard(lesson.date.toordinal(), grades, outside, lesson.harder_piece)


def _starts(lesson: Lesson) -> dict[str, float]:
    counts = {cause: Count(*found) for cause, found in lesson.starting_counts.items()}
    return starting_probabilities(who_plays(lesson.player, lesson), load_catalogue(), counts)


def lesson_facts(lesson: Lesson, findings: Mapping[str, Finding] | None = None) -> LessonFacts:
    """What a lesson says about causes, without anything else. `findings`: where they are known."""
    found = findings_of(lesson) if findings is None else findings
    return LessonFacts(
        focus=tuple(focus_of(lesson)),
        dismissed=frozenset(dismissed_in(lesson)),
        grades={name: finding.grade for name, finding in found.items()},
        is_harder=lesson.harder_piece,
        reopened=frozenset(reopened_in(lesson)),
    )


def given_week(lesson: Lesson) -> GivenWeek | None:
    """The week that was given in a lesson."""
    plan: Plan | None = getattr(lesson, "plan", None)
    if plan is None:
        return None
    items = known_items(plan)
    minutes = fullest_day((item_dose(i).minutes(len(i.fingers)), i.days) for i in items)
    return GivenWeek(tuple(_given(item) for item in items), minutes)


def _given(item: PlanItem) -> Given:
    if not is_load(load_catalogue().exercises[item.exercise]):
        return Given(item.exercise, item.rung)
    work = item_dose(item).work_seconds(len(item.fingers)) * len(item.days)
    return Given(item.exercise, item.rung, work, work / (item.reps * item.sets))


def planned(item: PlanItem) -> PlannedItem:
    """A stored item as the core plans it."""
    dose = item_dose(item)
    return PlannedItem(
        exercise=item.exercise,
        kind=load_catalogue().exercises[item.exercise].kind,
        rung=item.rung,
        dose=dose,
        minutes=dose.minutes(len(item.fingers)),
        days=tuple(item.days),
        fingers=tuple(item.fingers),
        why=said("why-as-told", text=item.why),
        goal=item.goal,
    )


def as_stored(item: PlannedItem) -> dict[str, Any]:
    """The fields of a stored item, from one as the core plans it."""
    return {
        "exercise": item.exercise,
        "rung": item.rung,
        "reps": item.dose.reps,
        "sets": item.dose.sets,
        "seconds": item.dose.seconds,
        "tempo": item.dose.tempo,
        "goal": item.goal,
        "days": list(item.days),
        "fingers": list(item.fingers),
        "why": words_of(item.why),
    }


def item_dose(item: PlanItem) -> Dose:
    """The dose of a stored item: the rung's shape with the stored numbers."""
    rung = load_catalogue().exercises[item.exercise].rung(item.rung)
    return Dose(
        reps=item.reps,
        sets=item.sets,
        seconds=item.seconds,
        pause=rung.dose.pause,
        rest=rung.dose.rest,
        unit=rung.dose.unit,
        per=rung.dose.per,
        tempo=item.tempo,
        is_hold=rung.dose.is_hold,
    )


def weeks_idle(player_id: int, last: date, until: date) -> float:
    """Weeks since the lesson on `last` or the newest practice after it."""
    between = {"date__gt": last, "date__lt": until}
    logs = HomeDay.objects.filter(lesson__player=player_id, **between).exclude(done="not")
    results = PracticeResult.objects.filter(
        item__plan__lesson__player=player_id, lesson=None, **between
    )
    days: list[date | None] = [each.aggregate(day=Max("date"))["day"] for each in (logs, results)]
    return (until - max([last, *(day for day in days if day)])).days / 7


def _weeks_away(lesson: Lesson, before: Standing) -> float:
    """Weeks of the break that ended with this lesson: as asked, or, where nobody asked, when there
    was neither a lesson nor practice at home for four weeks or more; 0 for none."""
    if before.newest is None:
        return 0.0
    weeks = lesson.break_weeks
    if weeks is not None:
        return weeks if weeks >= SHORT_BREAK_WEEKS else 0.0
    if lesson.date - before.newest < timedelta(weeks=LONG_BREAK_WEEKS):
        return 0.0
    weeks = weeks_idle(lesson.player_id, before.newest, lesson.date)
    return weeks if weeks >= LONG_BREAK_WEEKS else 0.0


def _shown(lesson: Lesson, before: Standing) -> tuple[Shown, ...]:
    exercises = load_catalogue().exercises
    found = []
    for result in lesson.results.all():
        exercise = exercises.get(result.item.exercise)
        if exercise is not None:
            rung = min(result.item.rung, len(exercise.rungs))
            is_newest = result.item.plan.lesson.date == before.week_on
            found.append(Shown(exercise.id, rung, _day(result), is_newest))
    return tuple(found)


def _day(result: PracticeResult) -> PracticeDay:
    return PracticeDay(result.passed, result.pain, result.tighter, result.date)
