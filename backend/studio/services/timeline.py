"""A player's evidence over the lessons, the ladders climbed, and what has become better."""

from dataclasses import dataclass
from datetime import date

from lefthand.case.case import Finding
from lefthand.catalogue.catalogue import Evidence, load_catalogue
from lefthand.catalogue.exercises import Exercise
from studio.models import Lesson, PlanItem, Player
from studio.services.findings import findings_of


@dataclass(frozen=True)
class Row:
    """One piece of evidence; `findings` one a lesson, None where it was not checked."""

    evidence: Evidence
    findings: list[Finding | None]

    @property
    def graded(self) -> list[int]:
        return [f.grade for f in self.findings if f is not None]

    @property
    def change(self) -> str:
        """ "back" when it was gone in between, else first against newest grade: "better", "worse",
        "same"; "once" when there is nothing to compare."""
        grades = self.graded
        if len(grades) < 2:
            return "once"
        worst = max(grades[:-1])
        if grades[-1] > 0 and worst > 0 and 0 in grades[grades.index(worst) : -1]:
            return "back"
        if grades[-1] == grades[0]:
            return "same"
        return "better" if grades[-1] < grades[0] else "worse"


@dataclass(frozen=True)
class Ladder:
    exercise: Exercise
    steps: list[tuple[date, int]]


@dataclass(frozen=True)
class Timeline:
    lessons: list[Lesson]
    rows: list[Row]
    ladders: list[Ladder]
    headline: str


def build_timeline(player: Player, on: date) -> Timeline:
    """Everything up to and including the day `on`. Trials are not shown: they are not a state."""
    lessons = list(
        player.lessons.filter(date__lte=on)
        .select_related("player__teacher__studio_settings")
        .prefetch_related("observations", "focuses", "cause_words", "plan__items")
    )
    rows = _rows([findings_of(lesson) for lesson in lessons])
    return Timeline(lessons, rows, _ladders(player, on), _headline(rows))


def _rows(by_lesson: list[dict[str, Finding]]) -> list[Row]:
    rows = []
    for evidence in load_catalogue().evidence.values():
        findings = [each.get(evidence.id) for each in by_lesson]
        row = Row(evidence, findings)
        if not evidence.is_trial and any(grade > 0 for grade in row.graded):
            rows.append(row)
    order = {"better": 0, "back": 1, "worse": 2, "same": 3, "once": 4}
    return sorted(rows, key=lambda r: (order[r.change], -_gain(r)))


def _gain(row: Row) -> int:
    return row.graded[0] - row.graded[-1]


def _ladders(player: Player, on: date) -> list[Ladder]:
    items = (
        PlanItem.objects.filter(plan__lesson__player=player, plan__lesson__date__lte=on)
        .order_by("plan__lesson__date")
        .select_related("plan__lesson")
    )
    exercises = load_catalogue().exercises
    steps: dict[str, list[tuple[date, int]]] = {}
    for item in items:
        exercise = exercises.get(item.exercise)
        if exercise is not None:
            rung = min(item.rung, len(exercise.rungs))
            steps.setdefault(exercise.id, []).append((item.plan.lesson.date, rung))
    return [Ladder(exercises[name], found) for name, found in steps.items()]


def _headline(rows: list[Row]) -> str:
    """One sentence on what has become better."""
    better = [row for row in rows if row.change == "better"]
    if not rows:
        return "Nothing has been looked at yet."
    if not better:
        return "No clear change yet."
    gone = [row for row in better if row.graded[-1] == 0]
    best = (gone or better)[0]
    state = "gone" if gone else "less than at first"
    more = len(better) - 1
    tail = f", and {more} more better" if more else ""
    return f"{best.evidence.label}: {state}{tail}."
