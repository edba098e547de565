"""Reading a player file back in: another teacher, another computer, a later version.

What cannot be used is left out and told, item by item; the rest is kept. Only a file that is no
player file, or that has no usable name and instrument, is refused whole; so is one that would take
too long, and it is given up when nobody waits for it any more.
"""

import time
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import date
from typing import Any

from django.utils import timezone

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.errors import InputError
from lefthand.values.fields import read_mapping, read_number, read_one_of, read_words, short
from lefthand.values.vocabulary import FINGERS
from studio.errors import StudioError
from studio.lessons.access import Teacher
from studio.lessons.flags import reason_id
from studio.lessons.own_notes import MOST_LETTERS, write_note
from studio.lessons.own_notes import MOST_NOTES as MOST_OWN_NOTES
from studio.lessons.setups import FIT, JUDGED, judge_setup, save_setup
from studio.memory.body import note_on_body
from studio.models import PlanItem, Player, RedFlag
from studio.pictures.pictures import MOST_PICTURES, MOST_WORDS, Kept, keep_from_file
from studio.pieces.own_places import choose_place
from studio.pieces.pieces import piece_from_file
from studio.players.imported_lessons import read_lesson, read_result
from studio.players.imported_rows import (
    GivenUpError,
    Reading,
    read_date,
    read_text,
    read_whole,
    rows_of,
)
from studio.players.imported_writing import (
    arrive,
    sweep_what_never_arrived,
    write_lessons,
    write_what_follows,
)
from studio.players.leave import KINDS, give_leave
from studio.players.players import PLAIN_FACTS, check_facts

FORMATS = ("jolf-player/1", "jolf-player/2")
MOST_LESSONS = 3000
MOST_STOPS, MOST_NOTES, MOST_FITS, MOST_PIECES = 1000, 200, 500, 60
MOST_TOLD = 40
MOST_SECONDS = 120
NOT_IN_A_FILE = "private phone links, and what Undo could take back"


@dataclass(frozen=True)
class Imported:
    player: Player
    left_out: list[str]


def nobody_is_gone() -> bool:
    return False


def read_player_file(
    teacher: Teacher, data: Any, on: date, is_gone: Callable[[], bool] = nobody_is_gone
) -> Imported:
    """A new player of this teacher from a player file, seen by nobody until all of it is there.

    `is_gone`: whether whoever sent it has gone away. Raises StudioError naming the field, or
    `given_up`.
    """
    if not isinstance(data, Mapping) or data.get("format") not in FORMATS:
        known = " or ".join(FORMATS)
        raise StudioError("bad_input", "format", f"this is no player file ({known})")
    sweep_what_never_arrived()
    reading = Reading(_player(teacher, data, on), _watch(is_gone))
    try:
        _read(data, reading, on)
    except GivenUpError as given_up:
        reading.player.delete()
        raise given_up.refusal from None
    except BaseException:
        reading.player.delete()
        raise
    arrive(reading.player)
    return Imported(reading.player, [NOT_IN_A_FILE, *_first(reading.left_out)])


def _watch(is_gone: Callable[[], bool]) -> Callable[[], None]:
    until = time.monotonic() + MOST_SECONDS

    def goes_on() -> None:
        if is_gone():
            raise GivenUpError(StudioError("given_up"))
        if time.monotonic() > until:
            problem = f"takes longer than {MOST_SECONDS} seconds: expected what one player has"
            raise GivenUpError(StudioError("bad_input", "file", problem))

    return goes_on


def _read(data: Mapping[str, Any], reading: Reading, on: date) -> None:
    if data.get("group"):
        reading.left_out.append(f"group {short(data['group'])}: choose one here")
    lessons = rows_of("lessons", data.get("lessons", []), reading)
    for number, row in enumerate(lessons, start=1):
        if number > MOST_LESSONS:
            reading.left_out.append(f"lessons after the first {MOST_LESSONS}")
            break
        reading.keep(f"lesson {number}", read_lesson, row, reading, on)
    write_lessons(reading)
    for row, item in reading.results:
        reading.keep(f"result of {item}", read_result, row, item, reading)
    beside: tuple[tuple[str, str, int, Callable[..., None]], ...] = (
        ("red_flags", "stop", MOST_STOPS, _flag),
        ("setups", "fit", MOST_FITS, _setup),
        ("body", "note on the body", MOST_NOTES, _body_word),
        ("notes", "note", MOST_OWN_NOTES, _own_note),
        ("partner_looks", "partner's look", MOST_OWN_NOTES, _partner_look),
        ("leaves", "leave", len(KINDS), _leave),
        ("pictures", "picture", MOST_PICTURES, _picture),
        ("pieces", "piece", MOST_PIECES, _piece),
    )
    for name, called, most, make in beside:
        for number, row in enumerate(rows_of(name, data.get(name, []), reading), start=1):
            if number > most:
                reading.left_out.append(f"{name} after the first {most}")
                break
            reading.keep(f"{called} {number}", make, row, reading, on)
    write_what_follows(reading)
    for row, item in reading.placed:
        reading.keep(f"place in a piece of {item}", _in_piece, row, item, reading)


def _first(left_out: list[str]) -> list[str]:
    more = len(left_out) - MOST_TOLD
    return left_out[:MOST_TOLD] + ([f"and {more} more"] if more > 0 else [])


def _player(teacher: Teacher, data: Mapping[str, Any], on: date) -> Player:
    facts = {name: data.get(name) for name in PLAIN_FACTS}
    facts["missing"] = [item for item in facts.get("missing") or [] if isinstance(item, str)]
    facts["hours_a_day"] = 1 if facts["hours_a_day"] is None else facts["hours_a_day"]
    told = {**facts, "lesson_time": data.get("lesson_time")}
    player = Player(arriving_since=timezone.now(), **check_facts(told, on))
    player.teacher_id = teacher.pk  # type: ignore[assignment]
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


def _setup(row: Mapping[str, Any], reading: Reading, on: date) -> None:
    fields = {name: row.get(name) for name in FIT}
    judged = read_one_of("judged", row.get("judged", ""), JUDGED)
    setup = save_setup(reading.player, {**fields, "date": read_date("date", row.get("date"))}, on)
    judge_setup(reading.player, setup.pk, judged)


def _picture(row: Mapping[str, Any], reading: Reading, on: date) -> None:
    finger = row.get("finger")
    day = read_date("date", row.get("date"))
    if day > on:
        raise InputError("date", f"lies in the future: {day}")
    told = Kept(
        date=day,
        measure=read_text("measure", row.get("measure")),
        finger=None if finger is None else read_whole("finger", finger, FINGERS[0], FINGERS[-1]),
        points=read_mapping("points", row.get("points") or {}),
        words=read_text("words", row.get("words"), MOST_WORDS),
    )
    keep_from_file(reading.player, read_words("image", [row.get("image")])[0], told)


def _own_note(row: Mapping[str, Any], reading: Reading, _on: date) -> None:
    done = row.get("done_on")
    write_note(
        reading.player,
        read_text("kind", row.get("kind")),
        read_text("text", row.get("text"), MOST_LETTERS),
        read_date("on", row.get("on")),
        None if done is None else read_date("done_on", done),
    )


def _partner_look(row: Mapping[str, Any], reading: Reading, _on: date) -> None:
    """Who looked is not in the file: that is another player."""
    check = read_text("check", row.get("check"))
    if check not in load_catalogue().evidence:
        raise InputError("check", f"unknown evidence {short(check)}")
    day = read_date("on", row.get("on"))
    looks = reading.player.partner_looks
    looks.update_or_create(check_id=check, on=day, defaults={"saw": row.get("saw") is True})


def _leave(row: Mapping[str, Any], reading: Reading, _on: date) -> None:
    words = {name: read_words(name, [row.get(name)])[0] for name in ("kind", "by", "name")}
    give_leave(reading.player, **words, on=read_date("on", row.get("on")))


def _piece(row: Mapping[str, Any], reading: Reading, on: date) -> None:
    title = read_text("title", row.get("title"))
    if row.get("score") is None:
        reading.left_out.append(f"piece {title}: its score is not in the file")
        return
    day = read_date("brought_on", row.get("brought_on"))
    if day > on:
        raise InputError("brought_on", f"lies in the future: {day}")
    piece = piece_from_file(reading.player, row, title, day)
    try:
        choose_place(piece, row.get("week") or [])
    except StudioError:
        piece.delete()
        raise
    reading.pieces[row.get("number")] = piece


def _in_piece(row: Mapping[str, Any], item: PlanItem, reading: Reading) -> None:
    """Nothing where the piece itself is not in the file."""
    piece = reading.pieces.get(row.get("piece"))
    if piece is None:
        return
    told = read_mapping("in_piece", row["in_piece"])
    first = read_whole("first", told.get("first"), 0, piece.bars - 1)
    item.in_piece = {
        "title": read_text("title", told.get("title")),
        "first": first,
        "last": read_whole("last", told.get("last"), first, piece.bars - 1),
        **{end: read_text(end, told.get(end)) for end in ("from", "to")},
    }
    item.piece = piece
    item.save(update_fields=["piece", "in_piece"])


def _body_word(row: Mapping[str, Any], reading: Reading, _on: date) -> None:
    note_on_body(
        reading.player,
        fact=read_words("fact", [row.get("fact")])[0],
        word=read_words("word", [row.get("word")])[0],
        note=read_text("note", row.get("note")),
        on=read_date("on", row.get("on")),
    )


def _flag(row: Mapping[str, Any], reading: Reading, _on: date) -> None:
    raised = read_date("raised_on", row.get("raised_on"))
    read = reading.lessons.get(read_date("lesson", row.get("lesson", row.get("raised_on"))))
    if read is None:
        earlier = [day for day in reading.lessons if day <= raised]
        read = reading.lessons.get(max(earlier)) if earlier else None
    if read is None:
        raise InputError("lesson", "no lesson of this player stands before it")
    lifted = row.get("lifted_on")
    pain = row.get("pain")
    reasons = read_words("reasons", row["reasons"])
    reading.made.append(
        RedFlag(
            player=reading.player,
            lesson=read.lesson,
            raised_on=raised,
            reasons=[reason_id(read_text("reasons", reason)) for reason in reasons],
            lifted_on=None if lifted is None else read_date("lifted_on", lifted),
            note=read_text("note", row.get("note")),
            from_home=row.get("from_home") is True,
            pain=None if pain is None else read_number("pain", pain, 0, 10),
            mistaken=row.get("mistaken") is True,
        )
    )
