"""Everything that is kept of one player, as one document."""

import base64
from typing import Any

from studio.lessons.setups import FIT
from studio.models import (
    BodyWord,
    HandPicture,
    HomeDay,
    Leave,
    Lesson,
    OwnNote,
    Piece,
    Plan,
    PlanItem,
    Player,
    RedFlag,
    Setup,
    Take,
)
from studio.players.players import PLAIN_FACTS

PLAYER_FORMAT = "jolf-player/2"


def player_file(
    player: Player, *, pictures: bool = False, sounds: bool = False, scores: bool = False
) -> dict[str, Any]:
    """All records of the player as `jolf-player/2` (docs/case-files.md). Dates as YYYY-MM-DD.
    `pictures`, `sounds`, `scores` of pieces: with those that are kept, which make it large."""
    lessons = player.lessons.prefetch_related(
        *("observations", "focuses", "cause_words", "home_days", "results", "takes"),
        "plan__items__results",
        *(["takes__sound"] if sounds else []),
    )
    return {
        "format": PLAYER_FORMAT,
        **{name: getattr(player, name) for name in PLAIN_FACTS},
        "lesson_time": f"{player.lesson_time:%H:%M}" if player.lesson_time else None,
        "way_of_teaching": player.way_of_teaching,
        "disliked": player.disliked,
        "setups": [_setup(setup) for setup in player.setups.all()],
        "group": player.group.name if player.group else None,
        "lessons": [_lesson(lesson, sounds=sounds) for lesson in lessons],
        "body": [_body_word(word) for word in player.body_words.all()],
        "red_flags": [_flag(flag) for flag in player.red_flags.select_related("lesson")],
        "notes": [_note(each) for each in player.own_notes.order_by("on", "pk")],
        "partner_looks": [
            {"check": look.check_id, "saw": look.saw, "on": str(look.on)}
            for look in player.partner_looks.all()
        ],
        "leaves": [_leave(each) for each in player.leaves.all()],
        "pieces": [_piece(piece, score=scores) for piece in player.pieces.all()],
        **({"pictures": [_picture(each) for each in player.pictures.all()]} if pictures else {}),
    }


def _note(note: OwnNote) -> dict[str, Any]:
    done = str(note.done_on) if note.done_on else None
    return {"kind": note.kind, "on": str(note.on), "text": note.text, "done_on": done}


def _leave(leave: Leave) -> dict[str, Any]:
    return {"kind": leave.kind, "by": leave.by, "name": leave.name, "on": str(leave.on)}


def _picture(picture: HandPicture) -> dict[str, Any]:
    return {
        "date": str(picture.date),
        "measure": picture.measure,
        "finger": picture.finger,
        "points": picture.points,
        "words": picture.words,
        "image": base64.b64encode(picture.image).decode("ascii"),
    }


def _piece(piece: Piece, *, score: bool) -> dict[str, Any]:
    names = ("title", "part", "first", "last", "tempo", "taste", "wishes", "later", "old_treble")
    place = piece.place
    return {
        "number": piece.pk,
        "week": [place["first"] + 1, place["last"] + 1] if place else [],
        "brought_on": str(piece.brought_on),
        **{name: getattr(piece, name) for name in names},
        **({"score": base64.b64encode(piece.score).decode("ascii")} if score else {}),
    }


def _setup(setup: Setup) -> dict[str, Any]:
    return {"date": str(setup.date), "judged": setup.judged, **{n: getattr(setup, n) for n in FIT}}


def _lesson(lesson: Lesson, *, sounds: bool) -> dict[str, Any]:
    return {
        "date": str(lesson.date),
        "is_glance": lesson.is_glance,
        "look_order": lesson.look_order,
        "asked": lesson.asked,
        "reports": lesson.reports,
        "complaint": lesson.complaint or None,
        "complaint_finger": lesson.complaint_finger,
        "again": lesson.again,
        "skipped": lesson.skipped,
        "break_weeks": lesson.break_weeks,
        "practised": lesson.practised,
        "harder_piece": lesson.harder_piece,
        "observations": {o.evidence: o.entered for o in lesson.observations.all()},
        "words": [
            {"cause": w.cause, "word": w.word, "why": w.why} for w in lesson.cause_words.all()
        ],
        "focus": [
            {
                "cause": f.cause,
                "fingers": f.fingers,
                "why": f.why,
                "probability": f.probability,
                "is_engines": f.is_engines,
                "follows": f.follows,
            }
            for f in lesson.focuses.all()
        ],
        "teacher_line": lesson.teacher_line,
        "one_thing": lesson.one_thing,
        "home_take": lesson.home_take,
        "takes": [_take(take, sounds=sounds) for take in lesson.takes.all()],
        "plan": _plan(lesson.plan) if hasattr(lesson, "plan") else None,
        "plan_eased": hasattr(lesson, "plan") and lesson.plan.is_eased,
        "plan_focus": lesson.plan.focus if hasattr(lesson, "plan") else None,
        "home_days": [_home_day(day) for day in lesson.home_days.all()],
    }


def _home_day(day: HomeDay) -> dict[str, Any]:
    told = ("done", "parts", "felt", "one_thing", "pain", "hurt", "place", "signs", "later")
    found = {name: getattr(day, name) for name in (*told, "tempos", "checks")}
    return {"date": str(day.date), **found}


def _take(take: Take, *, sounds: bool) -> dict[str, Any]:
    names = ("evidence", "part", "is_simulated", "score", "result", "curve", "words")
    kept = getattr(take, "sound", None) if sounds else None
    return {
        **{name: getattr(take, name) for name in names},
        "home_on": str(take.home_on) if take.home_on else None,
        **({"sound": base64.b64encode(kept.flac).decode("ascii")} if kept else {}),
    }


def _plan(plan: Plan) -> list[dict[str, Any]]:
    return [_item(item) for item in plan.items.all()]


def _item(item: PlanItem) -> dict[str, Any]:
    return {
        "exercise": item.exercise,
        "rung": item.rung,
        "reps": item.reps,
        "sets": item.sets,
        "seconds": item.seconds,
        "tempo": item.tempo,
        "goal": item.goal,
        "days": item.days,
        "fingers": item.fingers,
        "why": item.why,
        "piece": item.piece_id,
        "in_piece": item.in_piece,
        "spot": item.spot,
        "results": [
            {
                "date": str(result.date),
                "in_lesson": result.lesson_id is not None,
                "passed": result.passed,
                "pain": result.pain,
                "tighter": result.tighter,
            }
            for result in item.results.all()
        ],
    }


def _body_word(word: BodyWord) -> dict[str, Any]:
    return {"fact": word.fact, "word": word.word, "on": str(word.on), "note": word.note}


def _flag(flag: RedFlag) -> dict[str, Any]:
    return {
        "lesson": str(flag.lesson.date),
        "raised_on": str(flag.raised_on),
        "reasons": flag.reasons,
        "from_home": flag.from_home,
        "lifted_on": str(flag.lifted_on) if flag.lifted_on else None,
        "note": flag.note,
        "pain": flag.pain,
        "mistaken": flag.mistaken,
    }
