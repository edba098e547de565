"""A player's record up to one lesson, read in a few queries and then only looked at."""

from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property

from lefthand.practice.doses import SHORT_BREAK_WEEKS
from lefthand.reason.safety import EASE_OFF_DAYS, LONG_BREAK_WEEKS
from studio.models import HomeDay, Lesson, Plan, PlanItem, PracticeResult, RedFlag
from studio.services.findings import findings_of
from studio.services.keep_alive import Reminder, reminders
from studio.services.known import focus_of, known_items


@dataclass(frozen=True)
class Break:
    """A time without playing: whole or part weeks, and the lesson with which it ended."""

    weeks: float
    lesson: Lesson


@dataclass(frozen=True)
class History:
    """`lessons`: the player's lessons up to and including `lesson`, oldest first."""

    lesson: Lesson
    lessons: list[Lesson]

    @cached_property
    def earlier(self) -> list[Lesson]:
        return [each for each in self.lessons if each.date < self.lesson.date]

    @cached_property
    def real_earlier(self) -> list[Lesson]:
        """Earlier lessons without mere looks over a class."""
        return [each for each in self.earlier if not each.is_glance]

    @cached_property
    def _grades(self) -> dict[int, dict[str, int]]:
        return {}

    def grades_of(self, lesson: Lesson) -> dict[str, int]:
        """Grades by evidence, measured values by theirs."""
        if lesson.pk not in self._grades:
            found = findings_of(lesson)
            self._grades[lesson.pk] = {name: finding.grade for name, finding in found.items()}
        return self._grades[lesson.pk]

    @cached_property
    def reminders(self) -> list[Reminder]:
        """Causes to look at again in this lesson, and causes that are back."""
        return reminders(self.lessons, self.lesson.date, harder=self.lesson.harder_piece)

    @cached_property
    def flags(self) -> list[RedFlag]:
        """All stops of the player, lifted ones too, newest first."""
        return list(RedFlag.objects.filter(player=self.lesson.player_id))

    @cached_property
    def practised(self) -> list[date]:
        """Days on which something was logged as practised at home, oldest first."""
        logs = HomeDay.objects.filter(lesson__player=self.lesson.player_id).exclude(done="not")
        days = set(logs.values_list("date", flat=True))
        days |= {r.date for _, i in self.items for r in i.results.all() if r.lesson_id is None}
        return sorted(days)

    @cached_property
    def breaks(self) -> list[Break]:
        """Breaks of two weeks and more, oldest first: as asked, or, where nobody asked, of four
        weeks and more without a lesson and without practice at home."""
        found = []
        for before, after in zip(self.lessons, self.lessons[1:], strict=False):
            weeks = after.break_weeks
            if weeks is None:
                weeks = self._weeks_found(before.date, after.date)
            if weeks >= SHORT_BREAK_WEEKS:
                found.append(Break(weeks, after))
        return found

    def _weeks_found(self, last: date, until: date) -> float:
        """Weeks of a break by the dates alone; 0 where it is too short to be told from a pause."""
        if until - last < timedelta(weeks=LONG_BREAK_WEEKS):
            return 0.0
        weeks = self.weeks_idle(last, until)
        return weeks if weeks >= LONG_BREAK_WEEKS else 0.0

    def weeks_idle(self, last: date, until: date) -> float:
        """Weeks since the lesson on `last` or the newest practice after it."""
        active = max([last, *(day for day in self.practised if last < day < until)])
        return (until - active).days / 7

    @cached_property
    def break_now(self) -> tuple[float, int]:
        """(weeks of the newest break, days since it ended); (0, 0) when that is two weeks ago."""
        if not self.breaks:
            return 0.0, 0
        newest = self.breaks[-1]
        days = (self.lesson.date - newest.lesson.date).days
        return (newest.weeks, days) if days < EASE_OFF_DAYS else (0.0, 0)

    @cached_property
    def pauses(self) -> list[date]:
        """Days on which a break ended or a stop was lifted, up to this lesson."""
        lifted = [f.lifted_on for f in self.flags if f.lifted_on and not f.mistaken]
        ended = [each.lesson.date for each in self.breaks]
        return sorted(day for day in [*lifted, *ended] if day <= self.lesson.date)

    @cached_property
    def easing_since(self) -> date | None:
        """The newest pause of the last two weeks after which one eases off; None when there is
        none.

        A stop that was lifted, or a break of four weeks and more.
        """
        long = {b.lesson.date for b in self.breaks if b.weeks >= LONG_BREAK_WEEKS}
        lifted = {f.lifted_on for f in self.flags if f.lifted_on and not f.mistaken}
        since = self.lesson.date - timedelta(days=EASE_OFF_DAYS)
        recent = [day for day in self.pauses if day > since and day in long | lifted]
        return recent[-1] if recent else None

    @cached_property
    def plans(self) -> list[Plan]:
        """Plans given before this lesson, oldest first."""
        return [each.plan for each in self.earlier if hasattr(each, "plan")]

    @cached_property
    def last_focus(self) -> list[str]:
        """Causes of the newest earlier lesson in which a focus was decided."""
        decided = [focus for each in self.earlier if (focus := focus_of(each))]
        return decided[-1] if decided else []

    def judged_in(self, plan: Plan) -> Lesson:
        """The lesson that followed a plan: this one for the newest."""
        given_on = self.date_of(plan)
        later = (each for each in self.lessons if each.date > given_on and not each.is_glance)
        return next(later, self.lesson)

    def date_of(self, plan: Plan) -> date:
        return self._dates[plan.lesson_id]

    @cached_property
    def _dates(self) -> dict[int, date]:
        return {each.pk: each.date for each in self.lessons}

    def shown(self, exercise: str, rung: int) -> list[PracticeResult]:
        """Results of earlier lessons for this exercise on this rung, oldest first."""
        found = [
            (self._dates[result.lesson_id], result)
            for _, item in self.items
            if item.exercise == exercise and item.rung == rung
            for result in item.results.all()
            if result.lesson_id is not None and result.lesson_id in self._dates
        ]
        return [result for _, result in sorted(found, key=lambda pair: pair[0])]

    @cached_property
    def items(self) -> list[tuple[Plan, PlanItem]]:
        """Every exercise that was given, oldest first; those that the catalogue lost are left
        out."""
        return [(plan, item) for plan in self.plans for item in known_items(plan)]


def load_history(lesson: Lesson) -> History:
    lessons = (
        Lesson.objects.filter(player=lesson.player_id, date__lte=lesson.date)
        .select_related("plan", "player__teacher__studio_settings")
        .prefetch_related(
            "observations", "focuses", "cause_words", "results", "plan__items__results"
        )
        .order_by("date", "pk")
    )
    return History(lesson, list(lessons))
