"""The studio at a glance, for whoever plans: which causes are met most, what was given and never
done, and the minutes that were asked and played, over a stretch of time. Counts, not judgements."""

import csv
import io
from collections import Counter, defaultdict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date

from django.db.models import Prefetch

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.vocabulary import Done
from studio.lessons.access import Teacher, players_of
from studio.memory.known import known_items
from studio.memory.records import item_dose
from studio.models import Focus, HomeDay, Lesson

FEWEST = 5  # players or weeks: nothing is told of fewer


@dataclass(frozen=True)
class CauseMet:
    """players: with this cause as the focus at least once."""

    cause: str
    players: int


@dataclass(frozen=True)
class Given:
    """weeks: in which the exercise was given and something was told from home; done: of these,
    those in which it was done at least once."""

    exercise: str
    weeks: int
    done: int


@dataclass(frozen=True)
class Glance:
    """players: who had a lesson. causes, given: the most first, none of fewer than five; few: how
    many more causes and exercises there were. weeks, told: given, and those of which something was
    told from home. asked, played: minutes of the weeks that were told."""

    since: date
    until: date
    players: int
    lessons: int
    causes: Sequence[CauseMet]
    given: Sequence[Given]
    few_causes: int
    few_given: int
    weeks: int
    told: int
    asked: float
    played: float


def glance(teacher: Teacher, since: date, until: date) -> Glance:
    """Practice players count for nothing, unless there are no others, as in the demo."""
    players = players_of(teacher)
    real = players.filter(is_practice=False)
    lessons = list(
        Lesson.objects.filter(
            player__in=real if real.exists() else players,
            date__gte=since,
            date__lte=until,
            is_glance=False,
        )
        .only("player_id", "date")
        .prefetch_related(
            Prefetch("focuses", Focus.objects.only("lesson_id", "cause")),
            "plan__items",
            Prefetch("home_days", HomeDay.objects.only("lesson_id", "done", "parts")),
        )
    )
    met: dict[str, set[int]] = defaultdict(set)
    for lesson in lessons:
        for focus in lesson.focuses.all():
            met[focus.cause].add(lesson.player_id)
    known = load_catalogue().causes
    causes = sorted(
        (CauseMet(cause, len(who)) for cause, who in met.items() if cause in known),
        key=lambda each: (-each.players, known[each.cause].order),
    )
    weeks = [_Week(lesson) for lesson in lessons if hasattr(lesson, "plan")]
    told = [week for week in weeks if week.days]
    given = _given(told)
    return Glance(
        since=since,
        until=until,
        players=len({lesson.player_id for lesson in lessons}),
        lessons=len(lessons),
        causes=[each for each in causes if each.players >= FEWEST],
        given=[each for each in given if each.weeks >= FEWEST],
        few_causes=sum(each.players < FEWEST for each in causes),
        few_given=sum(each.weeks < FEWEST for each in given),
        weeks=len(weeks),
        told=len(told),
        asked=sum(week.asked for week in told),
        played=sum(week.played for week in told),
    )


class _Week:
    """A week that was given, and what was told of it. minutes: a day, by exercise."""

    def __init__(self, lesson: Lesson) -> None:
        items = known_items(lesson.plan)
        self.days: list[HomeDay] = list(lesson.home_days.all())
        self.minutes = {item.exercise: item_dose(item).minutes(len(item.fingers)) for item in items}
        self.asked = sum(self.minutes[item.exercise] * len(item.days) for item in items)
        done = [self._done_on(day) for day in self.days]
        self.played = sum(self.minutes[name] for names in done for name in names)
        self.done = {name for names in done for name in names}

    def _done_on(self, day: HomeDay) -> list[str]:
        """By the parts that were told, else by the whole day."""
        if day.parts is not None:
            return [name for name in day.parts if name in self.minutes]
        return list(self.minutes) if day.done == Done.DONE else []


def _given(weeks: Iterable[_Week]) -> list[Given]:
    counts: Counter[str] = Counter()
    done: Counter[str] = Counter()
    for week in weeks:
        counts.update(list(week.minutes))
        done.update(week.done)
    found = [Given(name, count, done[name]) for name, count in counts.items()]
    return sorted(found, key=lambda each: (each.done / each.weeks, -each.weeks, each.exercise))


def glance_table(found: Glance) -> str:
    """The same as CSV: what, id, name, count, of."""
    known = load_catalogue()
    out = io.StringIO()
    table = csv.writer(out)
    table.writerow(["what", "id", "name", "count", "of"])
    for met in found.causes:
        name = known.causes[met.cause].name
        table.writerow(["players with the focus", met.cause, name, met.players, found.players])
    for each in found.given:
        name = known.exercises[each.exercise].name
        table.writerow(["weeks in which it was done", each.exercise, name, each.done, each.weeks])
    table.writerow(["weeks told from home", "", "", found.told, found.weeks])
    table.writerow(["minutes played", "", "", round(found.played), round(found.asked)])
    return out.getvalue()
