"""A week at home as the player sees it on a day: what is practised, how much, and what rests."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property

from django.db.models import QuerySet

from lefthand.case.case import Hurt
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.doses import is_load, rests_between_loads
from lefthand.practice.pains import after_pains, hurting_on
from lefthand.practice.rules import dose_for_sore_skin, eased_dose, pain_against
from lefthand.practice.week import LAST_DAY, fullest_day, moved_week
from lefthand.reason.safety import EASE_OFF_DAYS
from lefthand.values.dose import Dose
from lefthand.values.said import Said
from lefthand.values.vocabulary import Instrument, Place
from studio.lessons.flags import open_reasons
from studio.memory.findings import age_at, youngest_age_at
from studio.memory.known import known_items
from studio.memory.pains import pains_since
from studio.memory.records import item_dose
from studio.models import HomeDay, Lesson, Plan, PlanItem, Player, RedFlag

DAYS_OPEN = 56  # after the last lesson
DAYS_AHEAD = 1  # of a phone whose clock is ahead


@dataclass(frozen=True)
class HomeWeek:
    """A week as the player sees it on the day `today`.

    `until`: only logs before this day count in what days hold; None for all.
    """

    lesson: Lesson
    today: date
    until: date | None = None

    @cached_property
    def items(self) -> list[PlanItem]:
        """What is practised: while easing off without what rests."""
        if self.reasons is not None:
            return []
        return [item for item in self.given if not self._is_out(item)]

    def _is_out(self, item: PlanItem) -> bool:
        return self.is_eased and self.rests(item)

    @cached_property
    def plan(self) -> Plan | None:
        return Plan.objects.filter(lesson=self.lesson).prefetch_related("items").first()

    @cached_property
    def given(self) -> list[PlanItem]:
        return known_items(self.plan) if self.plan else []

    @property
    def was_given_eased(self) -> bool:
        """Its doses are halved and what strains is left out, as it was given."""
        return self.plan is not None and self.plan.is_eased

    def rests(self, item: PlanItem) -> bool:
        """True for what is left out while one eases off, or while this hurts."""
        return self.eased(item) is None or self.why_it_rests(item) is not None

    def why_it_rests(self, item: PlanItem) -> Said | None:
        """What hurts and would be loaded by it; None for nothing."""
        exercise = load_catalogue().exercises[item.exercise]
        return pain_against(exercise, item.rung, self.instrument, self.sore)

    def rests_with(self, item: PlanItem) -> list[Place]:
        """The places with whose pain it rests."""
        exercise = load_catalogue().exercises[item.exercise]
        hurts = Hurt(1, 0)
        return [
            place
            for place in Place
            if place is not Place.SKIN
            and pain_against(exercise, item.rung, self.instrument, {place: hurts})
        ]

    def eased(self, item: PlanItem) -> Dose | None:
        """The dose while easing off; None for what rests then."""
        exercise = load_catalogue().exercises[item.exercise]
        return eased_dose(exercise, item.rung, item_dose(item))

    def shortened(self, item: PlanItem) -> Dose:
        """The dose while fingertip skin is sore."""
        exercise = load_catalogue().exercises[item.exercise]
        return dose_for_sore_skin(exercise, item.rung, item_dose(item))

    def dose(self, item: PlanItem) -> Dose:
        """The dose of today."""
        if self.is_eased:
            return self.eased(item) or item_dose(item)
        return self.shortened(item) if self.has_sore_skin else item_dose(item)

    @property
    def instrument(self) -> Instrument:
        return Instrument(self.lesson.player.instrument)

    @cached_property
    def sore(self) -> dict[Place, Hurt]:
        """Places that hurt since the lesson, today or in the seven days before, fingertip skin
        left out."""
        return {place: hurt for place, hurt in self.hurting.items() if place is not Place.SKIN}

    @property
    def has_sore_skin(self) -> bool:
        return Place.SKIN in self.hurting

    @cached_property
    def hurting(self) -> dict[Place, Hurt]:
        """The same with fingertip skin."""
        told = [
            pain
            for pain in pains_since(self.lesson, self.today)
            if self.until is None or pain.on < self.until
        ]
        return hurting_on(after_pains({}, told), self.today)

    @property
    def minutes(self) -> float:
        """Minutes of the fullest day."""
        return fullest_day(
            (self.dose(item).minutes(len(item.fingers)), self.days[item.exercise])
            for item in self.items
        )

    @cached_property
    def logs(self) -> list[HomeDay]:
        return list(self.lesson.home_days.all())

    @cached_property
    def _flags(self) -> list[RedFlag]:
        return list(self.lesson.player.red_flags.all())

    @cached_property
    def reasons(self) -> list[str] | None:
        """Why the week is paused; None when it is not."""
        return open_reasons([f for f in self._flags if f.lifted_on is None]) or None

    @cached_property
    def is_eased(self) -> bool:
        """Something hurt this week or in the last seven days, skin left out, or a stop was lifted
        after the week was given."""
        hurt = (log for log in self.logs if log.felt_pain > 0 and self._is_known(log))
        if self.sore or any(log.place != Place.SKIN for log in hurt):
            return True
        lifted = [f.lifted_on for f in self._flags if f.lifted_on and not f.mistaken]
        since = self.today - timedelta(days=EASE_OFF_DAYS)
        return any(day >= self.lesson.date and since < day <= self.today for day in lifted)

    @cached_property
    def days(self) -> dict[str, list[int]]:
        """Days 1..7 of each exercise, with what was missed moved."""
        return moved_week(
            {item.exercise: item.days for item in self.given},
            done=[self.number(log.date) for log in self.logs if self._counts(log)],
            today=self.number(self.today),
            apart=self.apart,
        )

    @cached_property
    def apart(self) -> list[str]:
        """Exercises that load the hand and may not stand on two days running."""
        exercises = load_catalogue().exercises
        player = self.lesson.player
        youngest, oldest = youngest_age_at(player, self.lesson), age_at(player, self.lesson)
        if not rests_between_loads(youngest, oldest):
            return []
        return [i.exercise for i in self.given if is_load(exercises[i.exercise])]

    def _counts(self, log: HomeDay) -> bool:
        return log.done != "not" and self._is_known(log)

    def _is_known(self, log: HomeDay) -> bool:
        return self.until is None or log.date < self.until

    @property
    def open_until(self) -> date:
        """The last day on which the link opens."""
        return last_lesson_day(self.lesson.player) + timedelta(days=DAYS_OPEN)

    def number(self, day: date) -> int:
        return (day - self.lesson.date).days

    def date_of(self, number: int) -> date:
        return self.lesson.date + timedelta(days=number)


def last_lesson_day(player: Player) -> date:
    """The day of the newest lesson; of a mere look over a class it counts, too."""
    newest = player.lessons.order_by("-date").values_list("date", flat=True).first()
    return newest or date.min


def is_long_ago(player: Player, today: date) -> bool:
    """Whether the last lesson is longer ago than a week may be practised."""
    return (today - last_lesson_day(player)).days > DAYS_OPEN


def week_in_force(player: Player, today: date) -> Lesson | None:
    """The lesson whose week is practised: the newest that gave one; None for none, and once it is
    as long ago as a link stays open."""
    latest = today + timedelta(days=DAYS_AHEAD)
    lesson = weeks_given(player).filter(date__lte=latest).order_by("-date").first()
    return None if lesson is None or is_long_ago(player, today) else lesson


def weeks_given(player: Player) -> QuerySet[Lesson]:
    """Lessons that gave a week."""
    given = Lesson.objects.filter(player=player, plan__isnull=False)
    return given.select_related("player__teacher__studio_settings")


def week_before(lesson: Lesson) -> Lesson | None:
    """The lesson that gave the week before this one, with what came home from it."""
    return (
        Lesson.objects.filter(player=lesson.player, date__lt=lesson.date, plan__isnull=False)
        .order_by("-date")
        .prefetch_related("home_days")
        .first()
    )


def days_between(before: Lesson, lesson: Lesson) -> list[date]:
    """The days of a week at home that lie before the next lesson."""
    count = min((lesson.date - before.date).days - 1, LAST_DAY)
    return [before.date + timedelta(days=number) for number in range(1, count + 1)]


def planned_dates(before: Lesson, items: Sequence[PlanItem]) -> list[date]:
    """Calendar days on which something was planned in a lesson's week of these items."""
    numbers = {day for item in items for day in item.days if 1 <= day <= LAST_DAY}
    return [before.date + timedelta(days=number) for number in sorted(numbers)]
