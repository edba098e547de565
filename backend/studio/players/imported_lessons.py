"""The lessons of a player file: what was seen, said, chosen and planned, and what came home.

Nothing here asks or writes the database: a lesson is read into rows, and all of them are written
together afterwards.
"""

from collections.abc import Callable, Mapping
from datetime import date
from typing import Any

from lefthand.case.findings import Grading, check_evidence_id, parse_finding, with_grades
from lefthand.case.parsing import parse_reports
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.pains import ANSWERS
from lefthand.practice.week import LAST_DAY
from lefthand.reason.looks import LookOrder
from lefthand.values.errors import InputError
from lefthand.values.fields import (
    read_choice,
    read_flag,
    read_mapping,
    read_number,
    read_one_of,
    read_words,
    short,
)
from lefthand.values.vocabulary import (
    FINGERS,
    Done,
    Felt,
    HurtSaid,
    KeptInMind,
    Later,
    Place,
    RedSign,
)
from studio.entries.answers import AGAIN_KEYS
from studio.entries.week import MAX_ONE_THING
from studio.home.told_day import (
    read_checks,
    read_parts,
    read_tempos,
)
from studio.memory.findings import grading_of
from studio.memory.spots import read_spot
from studio.models import (
    CauseWord,
    Focus,
    HomeDay,
    Lesson,
    Observation,
    Plan,
    PlanItem,
    PracticeResult,
)
from studio.players.imported_rows import (
    LessonRows,
    Reading,
    read_date,
    read_fingers,
    read_text,
    read_whole,
    rows_of,
)

MOST_DAYS = 100  # logged of one week, which may have been a long one


def read_lesson(row: Mapping[str, Any], reading: Reading, on: date) -> None:
    day = read_date("date", row.get("date"))
    if day > on:
        raise InputError("date", f"lies in the future: {day}")
    if day in reading.lessons:
        raise InputError("date", f"there is a lesson on {day} already")
    weeks = row.get("break_weeks")
    order = row.get("look_order")
    lesson = Lesson(
        player=reading.player,
        date=day,
        asked=row.get("asked") is True,
        is_glance=row.get("is_glance") is True,
        look_order=order if order in set(LookOrder) else LookOrder.TELLING.value,
        harder_piece=row.get("harder_piece") is True,
        break_weeks=None if weeks is None else read_number("break_weeks", weeks, 0, 5000),
        teacher_line=read_text("teacher_line", row.get("teacher_line")),
        one_thing=read_text("one_thing", row.get("one_thing"))[:MAX_ONE_THING],
        home_take=_known_take(row.get("home_take")),
        complaint_finger=_finger(row.get("complaint_finger")),
    )
    read = LessonRows(lesson)
    reading.lessons[day] = read
    where = f"lesson of {day}"
    reading.keep(f"{where}, reports", _reports, row.get("reports") or {}, lesson)
    reading.keep(f"{where}, complaint", _complaint, row.get("complaint"), lesson, reading)
    reading.keep(f"{where}, again", _again, row.get("again") or {}, lesson)
    reading.keep(f"{where}, skipped", _skipped, row.get("skipped") or [], lesson, reading)
    reading.keep(where, _observations, row.get("observations", {}), where, read, reading)
    _each(row, where, {"words": _word, "focus": _focus}, read, reading)
    if row.get("plan") is not None:
        read.plan = Plan(lesson=lesson, is_eased=row.get("plan_eased") is True)
        reading.keep(f"{where}, plan", _plan, row["plan"], read, reading)
        reading.keep(f"{where}, plan_focus", _plan_focus, row.get("plan_focus"), read, reading)
    _each(row, where, {"home_days": _home_day}, read, reading)
    reading.keep(f"{where}, practised", _practised, row.get("practised"), lesson)
    if row.get("takes"):
        reading.left_out.append(f"{where}, takes: what they found is read, their notes are not")


def _known_take(value: Any) -> str:
    return value if isinstance(value, str) and value in load_catalogue().takes else ""


def _each(
    row: Mapping[str, Any],
    where: str,
    makers: Mapping[str, Callable[..., None]],
    read: LessonRows,
    reading: Reading,
) -> None:
    for name, make in makers.items():
        for each in rows_of(f"{where}, {name}", row.get(name) or [], reading):
            reading.keep(f"{where}, {name}", make, each, read, reading)


def _reports(reports: Any, lesson: Lesson) -> None:
    parse_reports(reports)
    lesson.reports = dict(reports)


def _complaint(name: Any, lesson: Lesson, reading: Reading) -> None:
    if name is None:
        return
    known = read_words("complaint", [name])[0]
    catalogue = load_catalogue()
    lesson.complaint = check_evidence_id("complaint", known, catalogue, reading.instrument).id


def _finger(raw: Any) -> int | None:
    return raw if raw in FINGERS else None


def _again(raw: Any, lesson: Lesson) -> None:
    lesson.again = {
        read_one_of("again", key, AGAIN_KEYS): read_one_of(f"again.{key}", answer, ANSWERS)
        for key, answer in read_mapping("again", raw).items()
    }


def _skipped(names: Any, lesson: Lesson, reading: Reading) -> None:
    catalogue = load_catalogue()
    lesson.skipped = [
        check_evidence_id("skipped", name, catalogue, reading.instrument).id
        for name in read_words("skipped", names)
    ]


def _observations(found: Any, where: str, read: LessonRows, reading: Reading) -> None:
    grading = grading_of(read.lesson)
    for name, entered in read_mapping("observations", found).items():
        reading.keep(where, _observation, name, entered, grading, read, reading)


def _observation(
    name: str, entered: Any, grading: Grading, read: LessonRows, reading: Reading
) -> None:
    evidence = check_evidence_id("observations", name, load_catalogue(), reading.instrument)
    if evidence.id in read.observations:
        raise InputError("observations", f"{evidence.id!r} stands twice")
    read.observations[evidence.id] = Observation(
        lesson=read.lesson,
        evidence=evidence.id,
        entered=with_grades(entered, parse_finding(entered, evidence, grading)),
        position=len(read.observations) + 1,
    )


def _cause(row: Mapping[str, Any], reading: Reading) -> str:
    name = read_words("cause", [row.get("cause")])[0]
    cause = load_catalogue().causes.get(name)
    if cause is None or reading.instrument not in cause.instruments:
        raise InputError("cause", f"unknown cause {name!r}")
    return cause.id


def _word(row: Mapping[str, Any], read: LessonRows, reading: Reading) -> None:
    if row.get("word") not in ("pinned", "dismissed", "open"):
        problem = f"expected pinned, dismissed or open, got {short(row.get('word'))}"
        raise InputError("word", problem)
    cause = _cause(row, reading)
    read.words[cause] = CauseWord(
        lesson=read.lesson,
        cause=cause,
        word=row["word"],
        why=read_text("why", row.get("why"), 200),
    )


def _focus(row: Mapping[str, Any], read: LessonRows, reading: Reading) -> None:
    cause = _cause(row, reading)
    if cause in read.focuses:
        raise InputError("focus", f"{cause!r} stands twice")
    read.focuses[cause] = Focus(
        lesson=read.lesson,
        cause=cause,
        rank=len(read.focuses) + 1,
        fingers=read_fingers(row.get("fingers") or []),
        why=read_text("why", row.get("why"), 2000),
        probability=read_number("probability", row.get("probability"), 0, 1),
        is_engines=row.get("is_engines", True) is True,
        follows=row.get("follows") is True,
    )


def _home_day(row: Mapping[str, Any], read: LessonRows, _reading: Reading) -> None:
    signs = read_words("signs", row.get("signs") or [])
    later = row.get("later")
    unknown = set(signs) - {sign.value for sign in RedSign}
    if unknown:
        raise InputError("signs", f"unknown sign {min(unknown)!r}")
    day = read_date("date", row.get("date"))
    if day not in read.days and len(read.days) >= MOST_DAYS:
        raise InputError("home_days", f"expected at most {MOST_DAYS} days a lesson")
    read.days[day] = HomeDay(
        lesson=read.lesson,
        date=day,
        done=read_choice("done", row.get("done"), Done).value,
        parts=read_parts(row.get("parts"), read.items),
        felt=read_choice("felt", row.get("felt", ""), Felt).value,
        pain=int(read_number("pain", row.get("pain", 0), 0, 10, whole=True)),
        place=read_one_of("place", row.get("place") or "", ("", *Place)),
        signs=signs,
        later=None if later is None else [t.value for t in Later if t in later],
        tempos=read_tempos(row.get("tempos") or {}, read.items),
        checks=read_checks(row.get("checks") or {}, read.lesson),
        one_thing=read_choice("one_thing", row.get("one_thing") or "", KeptInMind).value,
        hurt=read_choice("hurt", row.get("hurt") or "", HurtSaid).value,
    )


def _practised(days: Any, lesson: Lesson) -> None:
    if days is None:
        return
    found = [read_date("practised", day) for day in read_words("practised", days)]
    if any(day >= lesson.date for day in found):
        raise InputError("practised", "expected days before the lesson")
    lesson.practised = [str(day) for day in found]


def _plan(rows: Any, read: LessonRows, reading: Reading) -> None:
    where = f"plan of {read.lesson.date}"
    for order, row in enumerate(rows_of(where, rows, reading), start=1):
        reading.keep(f"{where}, {order}", _item, row, order, read, reading)


def _plan_focus(names: Any, read: LessonRows, reading: Reading) -> None:
    if names is not None and read.plan is not None:
        causes = [_cause({"cause": name}, reading) for name in read_words("plan_focus", names)]
        read.plan.focus = causes


def _item(row: Mapping[str, Any], order: int, read: LessonRows, reading: Reading) -> None:
    name = read_words("exercise", [row.get("exercise")])[0]
    exercise = load_catalogue().exercises.get(name)
    if exercise is None or reading.instrument not in exercise.instruments:
        raise InputError("exercise", f"unknown exercise {name!r}")
    if exercise.id in read.items:
        raise InputError("exercise", f"{name!r} stands twice")
    tempo, goal = row.get("tempo"), row.get("goal")
    item = PlanItem(
        plan=read.plan,
        order=order,
        exercise=exercise.id,
        rung=read_whole("rung", row.get("rung"), 1, len(exercise.rungs)),
        reps=read_whole("reps", row.get("reps"), 1, 99),
        sets=read_whole("sets", row.get("sets"), 1, 20),
        seconds=read_number("seconds", row.get("seconds"), 0, 3600),
        tempo=None if tempo is None else read_whole("tempo", tempo, 20, 500),
        goal=None if goal is None else read_whole("goal", goal, 20, 500),
        days=sorted({read_whole("days", day, 1, LAST_DAY) for day in row.get("days") or []}),
        fingers=read_fingers(row.get("fingers") or []),
        why=read_text("why", row.get("why"), 2000),
        spot=read_spot("spot", row.get("spot"), reading.instrument),
    )
    read.items[exercise.id] = item
    for result in rows_of(f"results of {name}", row.get("results") or [], reading):
        reading.results.append((result, item))
    if row.get("in_piece") is not None:
        reading.placed.append((row, item))


def read_result(row: Mapping[str, Any], item: PlanItem, reading: Reading) -> None:
    day = read_date("date", row.get("date"))
    read = reading.lessons.get(day) if row.get("in_lesson") is True else None
    pain = row.get("pain")
    if read is not None:
        if (id(item), day) in reading.shown:
            raise InputError("date", f"{day} stands twice")
        reading.shown.add((id(item), day))
    reading.made.append(
        PracticeResult(
            item=item,
            lesson=read.lesson if read else None,
            date=day,
            passed=read_flag("passed", row.get("passed")),
            pain=None if pain is None else read_number("pain", pain, 0, 10),
            tighter=row.get("tighter") is True,
        )
    )
