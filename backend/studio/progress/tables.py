"""Findings, measures, practice and steps as one long table: a row for each thing that was written
down, as CSV by RFC 4180.

UTF-8 with its mark, so that spreadsheets read it right; lines end in CR LF; numbers have a point.
Text that a spreadsheet would take for a formula (CWE-1236) begins with an apostrophe.
"""

import csv
import io
from collections.abc import Iterator, Sequence

from lefthand.case.case import WHOLE_HAND, Finding
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.measures import MEASURES
from studio.memory.findings import findings_of
from studio.memory.known import focus_of, known_items, known_words
from studio.memory.records import lesson_rows
from studio.models import HomeDay, Lesson, Player

COLUMNS = ("player", "instrument", "date", "kind", "id", "name", "finger", "value", "unit", "note")
MARK = "\ufeff"
FORMULA = ("=", "+", "-", "@", "\t", "\r")
GRADE = "grade 0-3"

Cell = str | int | float | None
Row = tuple[Cell, ...]


def table_of(players: Sequence[Player]) -> str:
    """The table of these players, oldest lesson first."""
    written = io.StringIO(newline="")
    writer = csv.writer(written, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for player in players:
        lessons = lesson_rows().filter(player=player).prefetch_related("home_days")
        for lesson in lessons.order_by("date", "pk"):
            for row in _rows(lesson):
                writer.writerow([_safe(cell) for cell in (player.name, player.instrument, *row)])
        for row in _beside_lessons(player):
            writer.writerow([_safe(cell) for cell in (player.name, player.instrument, *row)])
    return MARK + written.getvalue()


def _beside_lessons(player: Player) -> Iterator[Row]:
    for word in player.body_words.all():
        yield str(word.on), "body", word.fact, f"body: {word.word}", None, "", "", word.note
    for note in player.own_notes.order_by("on", "pk"):
        yield str(note.on), "note", note.kind, note.get_kind_display(), None, "", "", note.text
    for look in player.partner_looks.order_by("on", "pk"):
        known = load_catalogue().evidence.get(look.check_id)
        label = known.label if known else ""
        on, saw = str(look.on), int(look.saw)
        yield on, "seen by a partner", look.check_id, label, None, saw, "1 seen, 0 not", ""


def _safe(cell: Cell) -> str:
    if cell is None:
        return ""
    if isinstance(cell, int | float):
        return f"{cell:g}" if isinstance(cell, float) else str(cell)
    return f"'{cell}" if cell.startswith(FORMULA) else cell


def _rows(lesson: Lesson) -> Iterator[Row]:
    on = str(lesson.date)
    yield from _findings(lesson, on)
    yield from _decisions(lesson, on)
    yield from _week(lesson, on)
    for result in lesson.results.all():
        exercise = load_catalogue().exercises.get(result.item.exercise)
        if exercise is not None:
            shown = int(result.passed)
            yield on, "shown", exercise.id, exercise.name, None, shown, "1 shown, 0 not yet", ""
    pain = lesson.reports.get("pain")
    if pain is not None:
        where = str(lesson.reports.get("place") or "")
        yield on, "pain", "", "pain told in the lesson", None, pain, "0-10", where
    for key, answer in lesson.again.items():
        yield on, "asked again", key, "told last time, and now", None, answer, "", ""
    if lesson.reports.get("earlier_injury"):
        yield on, "body", "injury", "earlier injury or operation", None, 1, "", "told in the lesson"
    for log in lesson.home_days.all():
        yield from _practice(log)
    for day in lesson.practised or []:
        yield day, "practice", "", "day at home", None, "done", "", "told in the lesson"


def _findings(lesson: Lesson, on: str) -> Iterator[Row]:
    evidence = load_catalogue().evidence
    for name, finding in findings_of(lesson).items():
        known = evidence[name]
        kind = "trial" if known.is_trial else "finding"
        graded: list[tuple[int | None, int]] = [*finding.by_finger.items()]
        for finger, grade in graded or [(None, finding.grade)]:
            yield on, kind, name, known.label, finger, grade, GRADE, ""
        yield from _measured(known.measure, name, known.label, finding, on)


def _measured(
    measure: str | None, name: str, label: str, finding: Finding, on: str
) -> Iterator[Row]:
    unit = MEASURES[measure].unit if measure else ""
    for finger, found in finding.measured.items():
        of = None if finger == WHOLE_HAND else finger
        spread = f"spread {found.spread:g}" if found.spread is not None else ""
        note = ", ".join(part for part in (found.source.value, spread) if part)
        yield on, "measure", name, label, of, float(found.value), unit, note


def _decisions(lesson: Lesson, on: str) -> Iterator[Row]:
    causes = load_catalogue().causes
    for rank, cause in enumerate(focus_of(lesson), start=1):
        yield on, "focus", cause, causes[cause].name, None, rank, "rank", ""
    for word in known_words(lesson):
        yield on, "word", word.cause, causes[word.cause].name, None, word.word, "", word.why
    if lesson.harder_piece:
        yield on, "harder piece", "", "a harder piece since the lesson before", None, 1, "", ""


def _week(lesson: Lesson, on: str) -> Iterator[Row]:
    exercises = load_catalogue().exercises
    for item in known_items(lesson.plan) if hasattr(lesson, "plan") else []:
        known = exercises[item.exercise]
        days = f"{len(item.days)} days a week"
        yield on, "step", known.id, known.name, None, item.rung, f"of {len(known.rungs)}", days


def _practice(log: HomeDay) -> Iterator[Row]:
    on = str(log.date)
    yield on, "practice", "", "day at home", None, log.done, "", log.felt
    if log.pain:
        yield on, "pain", "", "pain at home", None, log.pain, "0-10", log.place
    for sign in log.signs:
        yield on, "sign", sign, sign.replace("_", " "), None, 1, "", "told at home"
