"""A player's record up to one lesson, read in a few queries and then only looked at."""

from dataclasses import dataclass
from datetime import date
from functools import cached_property

from studio.models import Lesson, Plan, PlanItem, PracticeResult


@dataclass(frozen=True)
class History:
    """`lessons`: the player's lessons up to and including `lesson`, oldest first."""

    lesson: Lesson
    lessons: list[Lesson]

    @cached_property
    def earlier(self) -> list[Lesson]:
        return [each for each in self.lessons if each.date < self.lesson.date]

    @cached_property
    def plans(self) -> list[Plan]:
        """Plans given before this lesson, oldest first."""
        return [each.plan for each in self.earlier if hasattr(each, "plan")]

    @cached_property
    def last_focus(self) -> list[str]:
        """Causes of the newest earlier lesson in which a focus was decided."""
        decided = [each for each in self.earlier if each.focuses.all()]
        return [focus.cause for focus in decided[-1].focuses.all()] if decided else []

    def judged_in(self, plan: Plan) -> Lesson:
        """The lesson that followed a plan: this one for the newest."""
        given_on = self.date_of(plan)
        return next((each for each in self.lessons if each.date > given_on), self.lesson)

    def date_of(self, plan: Plan) -> date:
        return self._dates[plan.lesson_id]

    @cached_property
    def _dates(self) -> dict[int, date]:
        return {each.pk: each.date for each in self.lessons}

    def shown(self, exercise: str, rung: int) -> list[PracticeResult]:
        """Results of earlier lessons for this exercise on this rung, oldest first."""
        found = [
            (self._dates[result.lesson_id], result)
            for _, item in self.items()
            if item.exercise == exercise and item.rung == rung
            for result in item.results.all()
            if result.lesson_id is not None and result.lesson_id in self._dates
        ]
        return [result for _, result in sorted(found, key=lambda pair: pair[0])]

    def items(self) -> list[tuple[Plan, PlanItem]]:
        return [(plan, item) for plan in self.plans for item in plan.items.all()]


def load_history(lesson: Lesson) -> History:
    lessons = (
        Lesson.objects.filter(player=lesson.player_id, date__lte=lesson.date)
        .select_related("plan", "player__teacher__studio_settings")
        .prefetch_related("observations", "focuses", "cause_words", "plan__items__results")
        .order_by("date", "pk")
    )
    return History(lesson, list(lessons))
