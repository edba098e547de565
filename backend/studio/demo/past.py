"""Building the weeks before the demo's written lessons, with grades that waver as real ones do."""

import random
from datetime import date, timedelta

from lefthand.case.findings import parse_finding, with_grades
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.standing import AT_FIRST, Standing
from lefthand.reason.network import grades_if_not
from studio.demo.lesson import DemoLessonBook
from studio.demo.past_data import PASTS, DemoPast, levels
from studio.models import HomeDay, PlanItem, Player, PracticeResult

# What is said of the week's one thing by how the hand felt.
KEPT_WHEN = {"soft": "mostly", "mixed": "partly", "tight": "not"}

# Chances of each grade by how strong a sign truly is.
GRADE_IF = {1: (0.2, 0.55, 0.22, 0.03), 2: (0.05, 0.25, 0.5, 0.2), 3: (0.02, 0.08, 0.35, 0.55)}
LOOKED_AT = 0.9
SHOWN_WELL = 0.7
PARTLY = 0.25


def build_past(player: Player, lesson_day: date, first: int, weeks: int) -> Standing:
    """The weekly lessons from `weeks` ago until the first written one, `first` weeks ago; returns
    what they have led to."""
    past, standing = PASTS.get(player.name), AT_FIRST
    if past is None:
        return standing
    chooser = random.Random(player.name)
    for ago in range(weeks, first, -1):
        if ago not in past.away:
            on = lesson_day - timedelta(weeks=ago)
            _practise(player, past, on, chooser)
            book = DemoLessonBook(player, on, standing)
            _enter_week(book, past, ago - first, ago, chooser)
            standing = book.standing()
    return standing


def _enter_week(
    book: DemoLessonBook, past: DemoPast, before: int, ago: int, chooser: random.Random
) -> None:
    """`before`: weeks before the first written lesson."""
    if ago in past.harder:
        book.enter("harder", True)
    for review in book.review:
        book.enter("result", {"passed": chooser.random() < SHOWN_WELL}, str(review.item.pk))
    book.look(_looked(past, before, chooser))
    pain = past.pains.get(ago)
    book.enter("reports", {"pain": pain[0], "place": pain[1]} if pain else {})
    book.decide(as_proposed=False)


def _looked(past: DemoPast, before: int, chooser: random.Random) -> dict[str, object]:
    """What was graded so many weeks before the first written lesson."""
    entered: dict[str, object] = {}
    for key, course in past.signs.items():
        name, _, finger = key.partition("/")
        told = levels(course)
        level = told[-before] if before <= len(told) else told[0]
        if chooser.random() > LOOKED_AT:
            continue
        if name in past.measured:
            entered[name] = _measured(name, past.measured[name][level], chooser)
            continue
        grade = _graded(name, level, chooser)
        if not finger:
            entered[name] = grade
            continue
        fingers = entered.setdefault(name, {})
        if isinstance(fingers, dict):
            fingers[finger] = grade
    return entered


def _measured(name: str, value: float, chooser: random.Random) -> object:
    """A number that wavers by a sixth, with the grade that it has."""
    raw = {"value": round(value * chooser.gauss(1, 0.16), 1)}
    return with_grades(raw, parse_finding(raw, load_catalogue().evidence[name]))


def _graded(name: str, level: int, chooser: random.Random) -> int:
    evidence = load_catalogue().evidence[name]
    table = GRADE_IF[level] if level else tuple(grades_if_not(evidence).tolist())
    return chooser.choices(range(4), weights=table)[0]


def _practise(player: Player, past: DemoPast, until: date, chooser: random.Random) -> None:
    """Logs and results of the week before a lesson."""
    last = player.lessons.filter(plan__isnull=False, date__lt=until).order_by("date").last()
    if last is None:
        return
    items = list(PlanItem.objects.filter(plan__lesson=last))
    logs, results = [], []
    for number in sorted({day for item in items for day in item.days}):
        day = last.date + timedelta(days=number)
        if day >= until or chooser.random() > past.keen:
            continue
        is_whole = chooser.random() > PARTLY
        done, felt = ("done", "soft") if is_whole else ("partly", "mixed")
        kept = KEPT_WHEN[felt]
        logs.append(HomeDay(lesson=last, date=day, done=done, felt=felt, one_thing=kept))
        results += [
            PracticeResult(item=item, date=day, passed=is_whole, pain=0)
            for item in items
            if number in item.days
        ]
    HomeDay.objects.bulk_create(logs)
    PracticeResult.objects.bulk_create(results)
