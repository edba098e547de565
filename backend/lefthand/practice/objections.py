"""What the rules say against a week that a teacher has made or changed by hand.

The teacher's word wins; the objections stand beside it. The rules are those of planning, so a week
as it was proposed meets none of them.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass

from lefthand.catalogue.exercises import Exercise
from lefthand.practice.doses import (
    is_load,
    least_dose,
    load_minutes,
    rests_between_loads,
    safe_dose,
)
from lefthand.practice.planning import MAX_ITEMS
from lefthand.practice.rules import next_rung, reason_against
from lefthand.practice.selection import KIND_ORDER
from lefthand.practice.situation import Situation
from lefthand.practice.week import fullest_day
from lefthand.values import said as named
from lefthand.values.dose import Dose
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Kind

LEAST_DAYS = 4
DAYS_OF_WEEK = 7


@dataclass(frozen=True, slots=True)
class WeekItem:
    """One exercise as it stands in the week. `days`: 1 is the day after the lesson."""

    exercise: str
    rung: int
    dose: Dose
    days: tuple[int, ...]
    fingers: tuple[int, ...] = ()

    @property
    def minutes(self) -> float:
        return self.dose.minutes(len(self.fingers))

    @property
    def weekly_work(self) -> float:
        """Seconds of work in the week."""
        return self.dose.work_seconds(len(self.fingers)) * len(self.days)


@dataclass(frozen=True, slots=True)
class Objection:
    """`exercise` is empty for the whole week. `reason`: of the rule that objects."""

    exercise: str
    reason: Said

    @property
    def said(self) -> Said:
        """The reason with the exercise that it is about, if it is about one."""
        if not self.exercise:
            return self.reason
        return said("objection-to", exercise=named.exercise(self.exercise), against=self.reason)


@dataclass(frozen=True, eq=False)
class _Week:
    items: Sequence[WeekItem]
    now: Situation
    load_limit: float | None

    def exercise(self, item: WeekItem) -> Exercise:
        return self.now.catalogue.exercises[item.exercise]

    @property
    def loads(self) -> list[WeekItem]:
        return [item for item in self.items if is_load(self.exercise(item))]

    @property
    def by_day(self) -> Mapping[int, list[WeekItem]]:
        days = sorted({day for item in self.items for day in item.days})
        return {day: [item for item in self.items if day in item.days] for day in days}


def objections(
    items: Sequence[WeekItem], now: Situation, load_limit: float | None = None
) -> list[Objection]:
    """Everything the rules have against this week; `load_limit` as in `Wishes`."""
    week = _Week(items, now, load_limit)
    found = [o for item in items for o in _against_item(item, week)]
    return found + [Objection("", reason) for rule in WEEK_RULES for reason in rule(week)]


def _against_item(item: WeekItem, week: _Week) -> Iterator[Objection]:
    exercise = week.exercise(item)
    for rule in ITEM_RULES:
        reason = rule(item, exercise, week)
        if reason is not None:
            yield Objection(item.exercise, reason)


ItemRule = Callable[[WeekItem, Exercise, _Week], Said | None]
WeekRule = Callable[[_Week], Iterator[Said]]


def _may_be_given(item: WeekItem, exercise: Exercise, week: _Week) -> Said | None:
    return reason_against(exercise, week.now, item.rung)


def _step_is_reached(item: WeekItem, exercise: Exercise, week: _Week) -> Said | None:
    reached = next_rung(exercise, week.now)
    if item.rung > reached:
        return said("objection-step", step=item.rung, reached=reached)
    return None


def _step_fits_level(item: WeekItem, exercise: Exercise, week: _Week) -> Said | None:
    level = exercise.rung(item.rung).level
    if week.now.case.level.rank < level.rank:
        return said("objection-level", level=level)
    return None


def _dose_is_careful(item: WeekItem, exercise: Exercise, week: _Week) -> Said | None:
    """While easing off, for loose joints and after a break no more than the halved dose."""
    fingers = len(item.fingers)
    safe = safe_dose(exercise, item.rung, week.now)
    full = exercise.rung(item.rung).dose
    is_halved = safe.work_seconds() < full.work_seconds()
    if is_halved and item.dose.work_seconds(fingers) > safe.work_seconds(fingers) + 1e-9:
        return said("objection-dose", dose=safe.words(item.fingers))
    return None


def _load_is_spaced(item: WeekItem, exercise: Exercise, week: _Week) -> Said | None:
    if not is_load(exercise) or not _rests_between(week):
        return None
    others = {day for each in week.loads for day in each.days}
    if any(day + 1 in others or day - 1 in others for day in item.days):
        return said("objection-spacing")
    return None


def _rests_between(week: _Week) -> bool:
    case = week.now.case
    return rests_between_loads(case.young_age, case.age)


def _loads_keep_their_share(week: _Week) -> Iterator[Said]:
    most = load_minutes(week.now.case)
    fullest = fullest_day((item.minutes, item.days) for item in week.loads)
    if fullest > most:
        yield said("objection-share", minutes=fullest, enough=float(f"{most:.2g}"))


def _load_grows_slowly(week: _Week) -> Iterator[Said]:
    work = sum(item.weekly_work for item in week.loads)
    least = sum(_least_weekly(item, week) for item in week.loads)
    if week.load_limit is not None and work > max(week.load_limit, least) + 1e-9:
        enough = round(max(week.load_limit, least))
        yield said("objection-growth", seconds=round(work), enough=enough)


def _least_weekly(item: WeekItem, week: _Week) -> float:
    least = least_dose(week.exercise(item), item.rung, week.now)
    return least.work_seconds(len(item.fingers)) * len(item.days)


def _load_comes_warm(week: _Week) -> Iterator[Said]:
    kinds = [week.exercise(item).kind for item in week.items]
    for place, item in enumerate(week.items):
        if item in week.loads and Kind.RELEASE not in kinds[:place]:
            yield said("objection-warm", exercise=named.exercise(item.exercise))


def _order_is_kept(week: _Week) -> Iterator[Said]:
    kinds = [KIND_ORDER.index(week.exercise(item).kind) for item in week.items]
    if kinds != sorted(kinds):
        yield said("objection-order")


def _not_too_many(week: _Week) -> Iterator[Said]:
    if len(week.items) > MAX_ITEMS:
        yield said("objection-many", count=len(week.items), enough=MAX_ITEMS)


def _minutes_fit(week: _Week) -> Iterator[Said]:
    fullest = fullest_day((item.minutes, item.days) for item in week.items)
    if fullest > week.now.case.minutes_budget:
        yield said("objection-minutes", minutes=fullest, meant=week.now.case.minutes_budget)


def _days_are_right(week: _Week) -> Iterator[Said]:
    if len(week.by_day) == DAYS_OF_WEEK:
        yield said("objection-day-off")
    if week.items and len(week.by_day) < LEAST_DAYS:
        yield said("objection-few-days", days=LEAST_DAYS)


ITEM_RULES: tuple[ItemRule, ...] = (
    _may_be_given,
    _step_is_reached,
    _step_fits_level,
    _dose_is_careful,
    _load_is_spaced,
)
WEEK_RULES: tuple[WeekRule, ...] = (
    _loads_keep_their_share,
    _load_grows_slowly,
    _load_comes_warm,
    _order_is_kept,
    _not_too_many,
    _minutes_fit,
    _days_are_right,
)
