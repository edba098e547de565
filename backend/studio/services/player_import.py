"""Reading a player file back in: another teacher, another computer, a later version.

What cannot be used is left out and told, item by item; the rest is kept. Only a file that is no
player file, or that has no usable name and instrument, is refused whole.
"""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field
from datetime import date
from typing import Any

from django.db import transaction

from lefthand.case.findings import check_evidence_id, parse_finding, with_grades
from lefthand.case.parsing import parse_reports
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.week import LAST_DAY
from lefthand.reason.looks import LookOrder
from lefthand.values.errors import InputError
from lefthand.values.fields import (
    read_flag,
    read_mapping,
    read_number,
    read_one_of,
    read_words,
    short,
)
from lefthand.values.vocabulary import FINGERS, Instrument
from studio.errors import StudioError
from studio.models import (
    CauseWord,
    Focus,
    HomeDay,
    Lesson,
    Observation,
    Piece,
    Plan,
    PlanItem,
    Player,
    PracticeResult,
    RedFlag,
)
from studio.services.findings import grading_of
from studio.services.home import DONE, FELT, LATER, SIGNS, read_checks, read_parts, read_tempos
from studio.services.lessons import Teacher
from studio.services.own_places import choose_place
from studio.services.pictures import MOST_WORDS, Kept, keep_from_file
from studio.services.pieces import piece_from_file
from studio.services.players import PLAIN_FACTS, save_player
from studio.services.setups import FIT, JUDGED, judge_setup, save_setup

FORMATS = ("jolf-player/1", "jolf-player/2")
MOST_LESSONS = 3000
MOST_TOLD = 40
MAX_TEXT = 300
NOT_IN_A_FILE = "private phone links, and what Undo could take back"


@dataclass
class _Reading:
    """What is read so far, and what was left out."""

    player: Player
    left_out: list[str] = field(default_factory=list)
    lessons: dict[date, Lesson] = field(default_factory=dict)
    # Results are read last: they may have been shown in a lesson that comes later in the file.
    results: list[tuple[Mapping[str, Any], PlanItem]] = field(default_factory=list)
    # So are the places in pieces. pieces: by their number in the file.
    placed: list[tuple[Mapping[str, Any], PlanItem]] = field(default_factory=list)
    pieces: dict[Any, Piece] = field(default_factory=dict)

    @property
    def instrument(self) -> Instrument:
        return Instrument(self.player.instrument)

    def keep(self, where: str, make: Callable[..., object], *arguments: object) -> None:
        """Make a record, or tell why it was left out."""
        try:
            with transaction.atomic():
                make(*arguments)
        except InputError as error:
            self.left_out.append(f"{where}: {error}")
        except StudioError as error:
            self.left_out.append(f"{where}: {error.field}: {error.problem}")
        except (TypeError, KeyError, AttributeError):
            self.left_out.append(f"{where}: has another shape than a player file has")


@dataclass(frozen=True)
class Imported:
    player: Player
    left_out: list[str]


@transaction.atomic
def read_player_file(teacher: Teacher, data: Any, on: date) -> Imported:
    """A new player of this teacher from a player file. Raises StudioError naming the field."""
    if not isinstance(data, Mapping) or data.get("format") not in FORMATS:
        known = " or ".join(FORMATS)
        raise StudioError("bad_input", "format", f"this is no player file ({known})")
    reading = _Reading(_player(teacher, data, on))
    if data.get("group"):
        reading.left_out.append(f"group {short(data['group'])}: choose one here")
    lessons = _rows("lessons", data.get("lessons", []), reading)
    for number, row in enumerate(lessons, start=1):
        if number > MOST_LESSONS:
            reading.left_out.append(f"lessons after the first {MOST_LESSONS}")
            break
        reading.keep(f"lesson {number}", _lesson, row, reading, on)
    for number, row in enumerate(_rows("setups", data.get("setups", []), reading), start=1):
        reading.keep(f"fit {number}", _setup, row, reading, on)
    _without_lessons(data, reading, on)
    return Imported(reading.player, [NOT_IN_A_FILE, *_first(reading.left_out)])


def _without_lessons(data: Mapping[str, Any], reading: _Reading, on: date) -> None:
    """What stands beside the lessons, and what needs all of them to be there."""
    for row, item in reading.results:
        reading.keep(f"result of {item}", _result, row, item, reading)
    for number, row in enumerate(_rows("red_flags", data.get("red_flags", []), reading), start=1):
        reading.keep(f"stop {number}", _flag, row, reading)
    for number, row in enumerate(_rows("pictures", data.get("pictures", []), reading), start=1):
        reading.keep(f"picture {number}", _picture, row, reading, on)
    for number, row in enumerate(_rows("pieces", data.get("pieces", []), reading), start=1):
        reading.keep(f"piece {number}", _piece, row, reading, on)
    for row, item in reading.placed:
        reading.keep(f"place in a piece of {item}", _in_piece, row, item, reading)


def _first(left_out: list[str]) -> list[str]:
    more = len(left_out) - MOST_TOLD
    return left_out[:MOST_TOLD] + ([f"and {more} more"] if more > 0 else [])


def _player(teacher: Teacher, data: Mapping[str, Any], on: date) -> Player:
    facts = {name: data.get(name) for name in PLAIN_FACTS}
    facts["missing"] = [item for item in facts.get("missing") or [] if isinstance(item, str)]
    facts["hours_a_day"] = 1 if facts["hours_a_day"] is None else facts["hours_a_day"]
    player = save_player(teacher, None, {**facts, "lesson_time": data.get("lesson_time")}, on)
    ways = load_catalogue().ways
    chosen = data.get("way_of_teaching")
    if isinstance(chosen, Mapping):
        player.way_of_teaching = {
            k: v for k, v in chosen.items() if k in ways and v in ways[k].values
        }
    exercises = load_catalogue().exercises
    player.disliked = [
        e for e in data.get("disliked") or [] if isinstance(e, str) and e in exercises
    ]
    player.save()
    return player


def _rows(where: str, rows: Any, reading: _Reading) -> Iterator[Mapping[str, Any]]:
    """The mappings of a list; anything else is left out and told."""
    if not isinstance(rows, list):
        if rows is not None:
            reading.left_out.append(f"{where}: expected a list")
        return
    for number, row in enumerate(rows, start=1):
        if isinstance(row, Mapping):
            yield row
        else:
            reading.left_out.append(f"{where} {number}: expected an object, got {short(row)}")


def _setup(row: Mapping[str, Any], reading: _Reading, on: date) -> None:
    fields = {name: row.get(name) for name in FIT}
    setup = save_setup(reading.player, {**fields, "date": _date("date", row.get("date"))}, on)
    judge_setup(reading.player, setup.pk, read_one_of("judged", row.get("judged", ""), JUDGED))


def _picture(row: Mapping[str, Any], reading: _Reading, on: date) -> None:
    finger = row.get("finger")
    day = _date("date", row.get("date"))
    if day > on:
        raise InputError("date", f"lies in the future: {day}")
    told = Kept(
        date=day,
        measure=_text("measure", row.get("measure")),
        finger=None if finger is None else _whole("finger", finger, FINGERS[0], FINGERS[-1]),
        points=read_mapping("points", row.get("points") or {}),
        words=_text("words", row.get("words"), MOST_WORDS),
    )
    keep_from_file(reading.player, read_words("image", [row.get("image")])[0], told)


def _piece(row: Mapping[str, Any], reading: _Reading, on: date) -> None:
    title = _text("title", row.get("title"))
    if row.get("score") is None:
        reading.left_out.append(f"piece {title}: its score is not in the file")
        return
    day = _date("brought_on", row.get("brought_on"))
    if day > on:
        raise InputError("brought_on", f"lies in the future: {day}")
    piece = piece_from_file(reading.player, row, title, day)
    choose_place(piece, row.get("week") or [])
    reading.pieces[row.get("number")] = piece


def _lesson(row: Mapping[str, Any], reading: _Reading, on: date) -> None:
    day = _date("date", row.get("date"))
    if day > on:
        raise InputError("date", f"lies in the future: {day}")
    if day in reading.lessons:
        raise InputError("date", f"there is a lesson on {day} already")
    weeks = row.get("break_weeks")
    order = row.get("look_order")
    lesson = Lesson.objects.create(
        player=reading.player,
        date=day,
        asked=row.get("asked") is True,
        is_glance=row.get("is_glance") is True,
        look_order=order if order in set(LookOrder) else LookOrder.TELLING.value,
        harder_piece=row.get("harder_piece") is True,
        break_weeks=None if weeks is None else read_number("break_weeks", weeks, 0, 5000),
        teacher_line=_text("teacher_line", row.get("teacher_line")),
        home_take=_known_take(row.get("home_take")),
    )
    reading.lessons[day] = lesson
    where = f"lesson of {day}"
    reading.keep(f"{where}, reports", _reports, row.get("reports") or {}, lesson)
    reading.keep(f"{where}, complaint", _complaint, row.get("complaint"), lesson, reading)
    reading.keep(f"{where}, skipped", _skipped, row.get("skipped") or [], lesson, reading)
    for name, entered in read_mapping("observations", row.get("observations", {})).items():
        reading.keep(where, _observation, name, entered, lesson, reading)
    _each(row, where, {"words": _word, "focus": _focus}, lesson, reading)
    if row.get("plan") is not None:
        reading.keep(f"{where}, plan", _plan, row["plan"], lesson, reading)
        reading.keep(f"{where}, plan_focus", _plan_focus, row.get("plan_focus"), lesson, reading)
    _each(row, where, {"home_days": _home_day}, lesson, reading)
    reading.keep(f"{where}, practised", _practised, row.get("practised"), lesson)
    if row.get("takes"):
        reading.left_out.append(f"{where}, takes: what they found is read, their notes are not")


def _known_take(value: Any) -> str:
    return value if isinstance(value, str) and value in load_catalogue().takes else ""


def _each(
    row: Mapping[str, Any],
    where: str,
    makers: Mapping[str, Callable[..., None]],
    lesson: Lesson,
    reading: _Reading,
) -> None:
    for name, make in makers.items():
        for each in _rows(f"{where}, {name}", row.get(name) or [], reading):
            reading.keep(f"{where}, {name}", make, each, lesson, reading)


def _reports(reports: Any, lesson: Lesson) -> None:
    parse_reports(reports)
    lesson.reports = dict(reports)
    lesson.save(update_fields=["reports"])


def _complaint(name: Any, lesson: Lesson, reading: _Reading) -> None:
    if name is None:
        return
    known = read_words("complaint", [name])[0]
    catalogue = load_catalogue()
    lesson.complaint = check_evidence_id("complaint", known, catalogue, reading.instrument).id
    lesson.save(update_fields=["complaint"])


def _skipped(names: Any, lesson: Lesson, reading: _Reading) -> None:
    catalogue = load_catalogue()
    lesson.skipped = [
        check_evidence_id("skipped", name, catalogue, reading.instrument).id
        for name in read_words("skipped", names)
    ]
    lesson.save(update_fields=["skipped"])


def _observation(name: str, entered: Any, lesson: Lesson, reading: _Reading) -> None:
    evidence = check_evidence_id("observations", name, load_catalogue(), reading.instrument)
    entered = with_grades(entered, parse_finding(entered, evidence, grading_of(lesson)))
    position = lesson.observations.count() + 1
    if lesson.observations.filter(evidence=evidence.id).exists():
        raise InputError("observations", f"{evidence.id!r} stands twice")
    Observation.objects.create(
        lesson=lesson, evidence=evidence.id, entered=entered, position=position
    )


def _cause(row: Mapping[str, Any], reading: _Reading) -> str:
    name = read_words("cause", [row.get("cause")])[0]
    cause = load_catalogue().causes.get(name)
    if cause is None or reading.instrument not in cause.instruments:
        raise InputError("cause", f"unknown cause {name!r}")
    return cause.id


def _word(row: Mapping[str, Any], lesson: Lesson, reading: _Reading) -> None:
    if row.get("word") not in ("pinned", "dismissed", "open"):
        problem = f"expected pinned, dismissed or open, got {short(row.get('word'))}"
        raise InputError("word", problem)
    CauseWord.objects.update_or_create(
        lesson=lesson,
        cause=_cause(row, reading),
        defaults={"word": row["word"], "why": _text("why", row.get("why"), 200)},
    )


def _focus(row: Mapping[str, Any], lesson: Lesson, reading: _Reading) -> None:
    Focus.objects.create(
        lesson=lesson,
        cause=_cause(row, reading),
        rank=lesson.focuses.count() + 1,
        fingers=_fingers(row.get("fingers") or []),
        why=_text("why", row.get("why"), 2000),
        probability=read_number("probability", row.get("probability"), 0, 1),
        is_engines=row.get("is_engines", True) is True,
        follows=row.get("follows") is True,
    )


def _home_day(row: Mapping[str, Any], lesson: Lesson, _reading: _Reading) -> None:
    signs = read_words("signs", row.get("signs") or [])
    later = row.get("later")
    if set(signs) - set(SIGNS):
        raise InputError("signs", f"unknown sign {sorted(set(signs) - set(SIGNS))[0]!r}")
    HomeDay.objects.update_or_create(
        lesson=lesson,
        date=_date("date", row.get("date")),
        defaults={
            "done": read_one_of("done", row.get("done"), DONE),
            "parts": read_parts(row.get("parts"), lesson),
            "felt": read_one_of("felt", row.get("felt", ""), FELT),
            "pain": int(read_number("pain", row.get("pain", 0), 0, 10, whole=True)),
            "signs": signs,
            "later": None if later is None else [t for t in LATER if t in later],
            "tempos": read_tempos(row.get("tempos") or {}, lesson),
            "checks": read_checks(row.get("checks") or {}, lesson),
        },
    )


def _practised(days: Any, lesson: Lesson) -> None:
    if days is None:
        return
    found = [_date("practised", day) for day in read_words("practised", days)]
    if any(day >= lesson.date for day in found):
        raise InputError("practised", "expected days before the lesson")
    lesson.practised = [str(day) for day in found]
    lesson.save(update_fields=["practised"])


def _plan(rows: Any, lesson: Lesson, reading: _Reading) -> None:
    plan = Plan.objects.create(lesson=lesson)
    where = f"plan of {lesson.date}"
    for order, row in enumerate(_rows(where, rows, reading), start=1):
        reading.keep(f"{where}, {order}", _item, row, order, plan, reading)


def _plan_focus(names: Any, lesson: Lesson, reading: _Reading) -> None:
    if names is not None:
        causes = [_cause({"cause": name}, reading) for name in read_words("plan_focus", names)]
        Plan.objects.filter(lesson=lesson).update(focus=causes)


def _item(row: Mapping[str, Any], order: int, plan: Plan, reading: _Reading) -> None:
    name = read_words("exercise", [row.get("exercise")])[0]
    exercise = load_catalogue().exercises.get(name)
    if exercise is None or reading.instrument not in exercise.instruments:
        raise InputError("exercise", f"unknown exercise {name!r}")
    if plan.items.filter(exercise=exercise.id).exists():
        raise InputError("exercise", f"{name!r} stands twice")
    tempo, goal = row.get("tempo"), row.get("goal")
    item = PlanItem.objects.create(
        plan=plan,
        order=order,
        exercise=exercise.id,
        rung=_whole("rung", row.get("rung"), 1, len(exercise.rungs)),
        reps=_whole("reps", row.get("reps"), 1, 99),
        sets=_whole("sets", row.get("sets"), 1, 20),
        seconds=read_number("seconds", row.get("seconds"), 0, 3600),
        tempo=None if tempo is None else _whole("tempo", tempo, 20, 500),
        goal=None if goal is None else _whole("goal", goal, 20, 500),
        days=sorted({_whole("days", day, 1, LAST_DAY) for day in row.get("days") or []}),
        fingers=_fingers(row.get("fingers") or []),
        why=_text("why", row.get("why"), 2000),
    )
    for result in _rows(f"results of {name}", row.get("results") or [], reading):
        reading.results.append((result, item))
    if row.get("in_piece") is not None:
        reading.placed.append((row, item))


def _in_piece(row: Mapping[str, Any], item: PlanItem, reading: _Reading) -> None:
    """Nothing where the piece itself is not in the file."""
    piece = reading.pieces.get(row.get("piece"))
    if piece is None:
        return
    told = read_mapping("in_piece", row["in_piece"])
    first = _whole("first", told.get("first"), 0, piece.bars - 1)
    item.in_piece = {
        "title": _text("title", told.get("title")),
        "first": first,
        "last": _whole("last", told.get("last"), first, piece.bars - 1),
        **{end: _text(end, told.get(end)) for end in ("from", "to")},
    }
    item.piece = piece
    item.save(update_fields=["piece", "in_piece"])


def _result(row: Mapping[str, Any], item: PlanItem, reading: _Reading) -> None:
    day = _date("date", row.get("date"))
    lesson = reading.lessons.get(day) if row.get("in_lesson") is True else None
    pain = row.get("pain")
    PracticeResult.objects.create(
        item=item,
        lesson=lesson,
        date=day,
        passed=read_flag("passed", row.get("passed")),
        pain=None if pain is None else read_number("pain", pain, 0, 10),
        tighter=row.get("tighter") is True,
    )


def _flag(row: Mapping[str, Any], reading: _Reading) -> None:
    raised = _date("raised_on", row.get("raised_on"))
    lesson = reading.lessons.get(_date("lesson", row.get("lesson", row.get("raised_on"))))
    if lesson is None:
        earlier = [day for day in reading.lessons if day <= raised]
        lesson = reading.lessons.get(max(earlier)) if earlier else None
    if lesson is None:
        raise InputError("lesson", "no lesson of this player stands before it")
    lifted = row.get("lifted_on")
    pain = row.get("pain")
    RedFlag.objects.create(
        player=reading.player,
        lesson=lesson,
        raised_on=raised,
        reasons=[_text("reasons", reason) for reason in read_words("reasons", row["reasons"])],
        lifted_on=None if lifted is None else _date("lifted_on", lifted),
        note=_text("note", row.get("note")),
        from_home=row.get("from_home") is True,
        pain=None if pain is None else read_number("pain", pain, 0, 10),
        mistaken=row.get("mistaken") is True,
    )


def _date(name: str, value: Any) -> date:
    try:
        return date.fromisoformat(value)
    except (TypeError, ValueError) as error:
        raise InputError(name, f"expected a date such as 2026-03-04, got {short(value)}") from error


def _text(name: str, value: Any, most: int = MAX_TEXT) -> str:
    text = read_words(name, [value or ""])[0]
    if len(text) > most:
        raise InputError(name, f"expected at most {most} characters, got {len(text)}")
    return text


def _whole(name: str, value: Any, low: int, high: int) -> int:
    return int(read_number(name, value, low, high, whole=True))


def _fingers(values: Any) -> list[int]:
    return sorted({_whole("fingers", value, FINGERS[0], FINGERS[-1]) for value in values})
