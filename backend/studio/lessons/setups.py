"""How the instrument is fitted to a player: dated records, each compared with what was seen before
and after it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from itertools import pairwise
from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.sizes import STRING_LENGTHS
from lefthand.fit.tapes import tape_said, tapes_beside
from lefthand.values.errors import InputError
from lefthand.values.fields import Fields, read_number
from lefthand.values.vocabulary import Instrument, Lately
from lefthand.words import words_of
from studio.errors import StudioError
from studio.lessons.reach import REACH, measured_span, reach_of
from studio.memory.findings import findings_of
from studio.memory.standing import forget
from studio.models import Lesson, Observation, Player, Setup

MAX_WORDS = 60
MAX_CHANGE = 200
WEIGHT_RANGE = (100, 20_000)  # g
MOST_TAPES = 12
JUDGED = ("", "helped", "same", "worse")
FIT = ("size", "string_length", "pad", "side", "endpin", "seat", "tapes", "weight", "change")
WORDS = ("size", "pad", "side", "endpin", "seat")
# A new size or string length counts as a new instrument for so long.
NEW_FOR = timedelta(weeks=12)
FIT_CAUSE = "setup_misfit"


@dataclass(frozen=True)
class Compared:
    """One record with the signs of a bad fit, by evidence id: grades before it and since. `tapes`:
    each beside its place, in words; none where the string's length is not known."""

    setup: Setup
    before: Mapping[str, int]
    since: Mapping[str, int]
    tapes: Sequence[str] = ()


def setups_of(player: Player) -> list[Compared]:
    """All records, newest first, each beside the newest grades before it and since."""
    setups = list(player.setups.all())
    if not setups:
        return []
    lessons = list(player.lessons.prefetch_related("observations"))
    found = []
    for index, setup in enumerate(setups):
        until = setups[index + 1].date if index + 1 < len(setups) else None
        before = [each for each in lessons if each.date <= setup.date]
        after = [each for each in lessons if each.date > setup.date]
        since = [each for each in after if until is None or each.date <= until]
        found.append(Compared(setup, _signs(before), _signs(since), _tapes(setup, player)))
    return found[::-1]


def _tapes(setup: Setup, player: Player) -> list[str]:
    """By the string of the same record, or of the newest one before it."""
    if not setup.tapes:
        return []
    reach = reach_of(player, None, None, on=setup.date)
    if reach is None:
        return []
    return [words_of(tape_said(tape)) for tape in tapes_beside(setup.tapes, reach.string_length)]


def _signs(lessons: list[Lesson]) -> dict[str, int]:
    """The newest grade of each sign of a bad fit."""
    evidence = load_catalogue().evidence
    grades: dict[str, int] = {}
    for lesson in lessons:
        for name, finding in findings_of(lesson).items():
            if FIT_CAUSE in evidence[name].causes and not evidence[name].is_trial:
                grades[name] = finding.grade
    return grades


def save_setup(player: Player, data: Mapping[str, Any], today: date) -> Setup:
    """Keep the record of a day; a second one of the same day takes its place.

    Raises StudioError naming the field.
    """
    try:
        fields = _fields(data)
        on = data.get("date") or today
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    if not isinstance(on, date) or on > today:
        raise StudioError("bad_input", "date", "expected a day up to today")
    setup, _ = Setup.objects.update_or_create(player=player, date=on, defaults=fields)
    forget(player.pk, on)
    return setup


def judge_setup(player: Player, setup_id: int, judged: str) -> Setup:
    """Keep what a later lesson found of a change. Raises StudioError."""
    setup = player.setups.filter(pk=setup_id).first()
    if setup is None:
        raise StudioError("not_found", "setup")
    if judged not in JUDGED:
        raise StudioError("bad_input", "judged", f"expected one of {', '.join(JUDGED[1:])}")
    setup.judged = judged
    setup.save(update_fields=["judged"])
    return setup


def remove_setup(player: Player, setup_id: int) -> None:
    """Raises StudioError."""
    gone, _ = player.setups.filter(pk=setup_id).delete()
    if not gone:
        raise StudioError("not_found", "setup")


def to_judge(lesson: Lesson, setups: Sequence[Setup]) -> Setup | None:
    """The newest change before a lesson that nobody has judged yet, or that was judged in it; of
    the records oldest first."""
    changes = [s for s in setups if s.date < lesson.date and s.change]
    if not changes:
        return None
    here = lesson.entries.filter(kind="fit", undone=False).values_list("key", flat=True)
    keys = set(here) if any(s.judged for s in changes) else set()
    asked = [s for s in changes if not s.judged or str(s.pk) in keys]
    return asked[-1] if asked else None


def lately(setups: Sequence[Setup], on: date) -> list[str]:
    """What the records, oldest first, say is new: another size or string length within twelve
    weeks."""
    return [Lately.NEW_INSTRUMENT.value] if new_size_on(setups, on) else []


def new_size_on(setups: Sequence[Setup], on: date) -> date | None:
    """Since when the size or string length is another one, where that is within twelve weeks; of
    the records oldest first."""
    records = [s for s in setups if s.date <= on]
    for earlier, later in reversed(list(pairwise(records))):
        differs = (earlier.size, earlier.string_length) != (later.size, later.string_length)
        if differs:
            return later.date if on - later.date <= NEW_FOR else None
    return None


def to_look_at_anew(lesson: Lesson, since: date) -> list[str]:
    """What another size may have changed and nobody has looked at since: how it is held, and what
    it asks of the reach. A span that was measured is held against any size."""
    hold = "hold.slips" if Instrument(lesson.player.instrument).is_held_up else "hold.moves"
    asked = (hold,) if measured_span(lesson.player, before=lesson.date) else (hold, REACH)
    looked = Observation.objects.filter(
        lesson__player=lesson.player_id,
        lesson__date__gte=since,
        lesson__date__lt=lesson.date,
        evidence__in=asked,
    )
    done = set(looked.values_list("evidence", flat=True))
    return [each for each in asked if each not in done]


def _fields(data: Mapping[str, Any]) -> dict[str, Any]:
    fields = Fields({k: v for k, v in data.items() if k != "date" and v is not None})
    found: dict[str, Any] = {name: _words(fields, name, MAX_WORDS) for name in WORDS}
    found["change"] = _words(fields, "change", MAX_CHANGE)
    found["string_length"] = fields.number("string_length", *STRING_LENGTHS, default=None)
    found["weight"] = fields.number("weight", *WEIGHT_RANGE, default=None)
    tapes = fields.take("tapes", [])
    if not isinstance(tapes, list) or len(tapes) > MOST_TAPES:
        fields.refuse("tapes", f"expected at most {MOST_TAPES} distances from the nut in mm")
    found["tapes"] = sorted({read_number("tapes", each, 1, STRING_LENGTHS[1]) for each in tapes})
    fields.done()
    if not any(found.values()):
        fields.refuse("change", "expected something to write down")
    return found


def _words(fields: Fields, name: str, most: int) -> str:
    words = fields.text(name, default="")
    if len(words) > most:
        fields.refuse(name, f"at most {most} letters")
    return words
