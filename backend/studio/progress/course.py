"""From rows to the course that the core reads for what has changed."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.change.course import Course, CourseLesson, Practice, lesson_findings
from lefthand.change.term import TermFacts
from lefthand.practice.pains import Ache, Pain, after_pains
from lefthand.practice.week import LAST_DAY
from lefthand.values.said import said
from lefthand.values.vocabulary import Place
from lefthand.words import words_of
from studio.lessons.flags import reason_words
from studio.memory.known import focus_of, known_items
from studio.memory.pains import logged, place_named, told_in
from studio.memory.plain_case import plain_case, who_plays
from studio.memory.records import lesson_rows
from studio.memory.standing import standing_after
from studio.models import Lesson, Player, PracticeResult, RedFlag


@dataclass(frozen=True)
class PlayersCourse:
    """lessons: the rows behind the course, in its order."""

    lessons: Sequence[Lesson]
    course: Course
    facts: TermFacts


def course_of(player: Player, on: date) -> PlayersCourse:
    """The lessons of a player up to and including a day. Looks over a class count: they are
    grades of that day."""
    rows = lesson_rows().filter(player=player, date__lte=on).prefetch_related("home_days")
    lessons = list(rows.order_by("date", "pk"))
    results = _days_with_results(player)
    told = _told_in_lessons(lessons)
    return PlayersCourse(
        lessons=lessons,
        course=Course(
            who_plays(player, lessons[-1] if lessons else None),
            _in_order(lessons, results, told),
            ruled_out=frozenset(standing_after(player.pk, on).ruled_out),
            pain_since=_pain_since(lessons),
        ),
        facts=TermFacts(
            practice=_practised(lessons, results),
            pains=_pains(lessons, told),
            stops=_stops(player),
            rungs=[_rungs(lesson) for lesson in lessons],
        ),
    )


def _in_order(
    lessons: Sequence[Lesson], results: dict[int, set[date]], told: Mapping[int, list[Pain]]
) -> list[CourseLesson]:
    found = []
    last = date.min
    week: Lesson | None = None
    for lesson in lessons:
        hurt = max((pain.level for pain in told[lesson.pk]), default=0.0)
        found.append(_lesson(lesson, _AtHome.of(week, results, (last, lesson.date)), hurt))
        last = lesson.date
        week = lesson if hasattr(lesson, "plan") else week
    return found


@dataclass(frozen=True)
class _AtHome:
    """What there was at home after one lesson and until the next, by the week that was given last:
    days planned, days told or logged, whether anything was logged at all, and the most pain."""

    planned: set[date]
    done: set[date]
    is_logged: bool
    pain: float

    @staticmethod
    def of(
        week: Lesson | None, results: dict[int, set[date]], between: tuple[date, date]
    ) -> "_AtHome | None":
        if week is None:
            return None
        after, until = between
        numbers = {day for item in known_items(week.plan) for day in item.days}
        planned = {week.date + timedelta(days=n) for n in numbers if 1 <= n <= LAST_DAY}
        logs = [log for log in week.home_days.all() if after < log.date <= until]
        done = {log.date for log in logs if log.done != "not"} | results.get(week.pk, set())
        return _AtHome(
            planned={day for day in planned if after < day <= until},
            done={day for day in done if after < day <= until},
            is_logged=bool(logs),
            pain=max((log.felt_pain for log in logs), default=0.0),
        )


def _lesson(lesson: Lesson, at_home: _AtHome | None, hurt: float) -> CourseLesson:
    findings, outside = lesson_findings(plain_case(lesson), load_catalogue())
    return CourseLesson(
        on=lesson.date,
        findings=findings,
        outside=outside,
        practice=_practice(lesson, at_home) if at_home else None,
        focus=tuple(focus_of(lesson)),
        plan=tuple(_rungs(lesson)),
        is_harder=lesson.harder_piece,
        is_glance=lesson.is_glance,
        pain=max(hurt, at_home.pain if at_home else 0.0),
    )


def _rungs(lesson: Lesson) -> dict[str, int]:
    if not hasattr(lesson, "plan"):
        return {}
    return {item.exercise: item.rung for item in known_items(lesson.plan)}


def _practice(lesson: Lesson, at_home: _AtHome) -> Practice | None:
    """None where nothing was logged, told or shown."""
    told = {date.fromisoformat(day) for day in lesson.practised or []}
    done = at_home.done | told
    is_known = at_home.is_logged or lesson.practised is not None or bool(done)
    return Practice(len(at_home.planned), len(done)) if is_known else None


def _days_with_results(player: Player) -> dict[int, set[date]]:
    """Days at home on which an exercise went somehow, by the lesson that gave the week."""
    rows = PracticeResult.objects.filter(item__plan__lesson__player=player, lesson=None)
    found: dict[int, set[date]] = {}
    for lesson, day in rows.values_list("item__plan__lesson", "date").distinct():
        found.setdefault(lesson, set()).add(day)
    return found


def _practised(lessons: Sequence[Lesson], results: dict[int, set[date]]) -> dict[date, str]:
    found: dict[date, str] = {}
    for lesson in lessons:
        found.update(dict.fromkeys(results.get(lesson.pk, set()), "done"))
        found.update(dict.fromkeys(map(date.fromisoformat, lesson.practised or []), "done"))
        found.update({log.date: log.done for log in lesson.home_days.all() if log.done != "not"})
    return found


def _told_in_lessons(lessons: Sequence[Lesson]) -> dict[int, list[Pain]]:
    """What hurt by each lesson's own words, answers about last time included; by lesson."""
    logs = sorted(
        (log for each in lessons for log in each.home_days.all()), key=lambda log: log.date
    )
    aches: dict[Place, Ache] = {}
    after, found = date.min, {}
    for lesson in lessons:
        home = [logged(log) for log in logs if log.felt_pain and after < log.date <= lesson.date]
        aches = after_pains(aches, home)
        told = told_in(lesson, aches)
        aches, after = after_pains(aches, told), lesson.date
        found[lesson.pk] = [pain for pain in told if pain.level > 0]
    return found


def _pain_since(lessons: Sequence[Lesson]) -> float:
    """The most that was logged at home after the newest lesson."""
    logs = [log for lesson in lessons for log in lesson.home_days.all()]
    return max((log.felt_pain for log in logs if log.date > lessons[-1].date), default=0.0)


def _pains(
    lessons: Sequence[Lesson], told: Mapping[int, list[Pain]]
) -> list[tuple[date, int, str]]:
    """(day, number or 0 where none was told, where) of each day in a lesson, the worst, and at
    home."""
    found = []
    for lesson in lessons:
        worst = max(told[lesson.pk], key=lambda pain: pain.level, default=None)
        if worst is not None:
            number = 0 if worst.told is None else round(worst.told) or 1
            found.append((lesson.date, number, _where(worst.place)))
        found += [
            (log.date, log.pain, _where(place_named(log.place)))
            for log in lesson.home_days.all()
            if log.felt_pain > 0
        ]
    return sorted(found)


def _where(place: Place) -> str:
    return "" if place is Place.SOMEWHERE else words_of(said("spot", place=place))


def _stops(player: Player) -> list[tuple[date, date | None, str]]:
    flags = RedFlag.objects.filter(player=player, mistaken=False).order_by("raised_on")
    return [(flag.raised_on, flag.lifted_on, "; ".join(reason_words(flag))) for flag in flags]
