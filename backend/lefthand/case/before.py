"""Reading what a case tells of the time before its lesson; the fields are those of `Case`."""

from collections.abc import Mapping
from typing import Any

from lefthand.case.case import Apart, Hurt, Known, Why
from lefthand.case.findings import check_evidence_id
from lefthand.catalogue.catalogue import Catalogue
from lefthand.values.errors import InputError
from lefthand.values.fields import Fields, read_number
from lefthand.values.vocabulary import Grade, Instrument, Place

MAX_DAYS = 36_500
HURTS_FOR = 7  # days
MOST_PAIN = 10


def read_before(fields: Fields, catalogue: Catalogue, instrument: Instrument) -> dict[str, Any]:
    """The fields of `Case` that speak of before. Raises InputError naming the field."""
    return {
        "known": _known(fields.mapping("known", {}), catalogue, instrument),
        "anew": tuple(
            check_evidence_id("anew", name, catalogue, instrument).id
            for name in fields.words("anew", [])
        ),
        "hurting": _hurting(fields.mapping("hurting", {})),
        "apart": _apart(fields.mapping("apart", {}), catalogue),
        "returning": tuple(
            _exercise("returning", name, catalogue) for name in fields.words("returning", [])
        ),
        "memory": _memory(fields.mapping("memory", {}), catalogue),
        "kept_focus": read_causes("kept_focus", fields.words("kept_focus", []), catalogue),
    }


def read_causes(where: str, causes: list[str], catalogue: Catalogue) -> tuple[str, ...]:
    for cause in causes:
        if cause not in catalogue.causes:
            raise InputError(where, f"unknown cause {cause!r}")
    return tuple(causes)


def _known(
    raw: Mapping[str, Any], catalogue: Catalogue, instrument: Instrument
) -> dict[str, Known]:
    found = {}
    for name, each in raw.items():
        evidence = check_evidence_id(f"known.{name}", name, catalogue, instrument)
        part = Fields(each, f"known.{name}")
        grade = part.whole("grade", 0, Grade.STRONG)
        found[evidence.id] = Known(grade, part.number("days", 0, MAX_DAYS, default=0))
        part.done()
    return found


def _hurting(raw: Mapping[str, Any]) -> dict[Place, Hurt]:
    """Places by name; what hurt more than seven days ago is told nobody any more."""
    found = {}
    for name, each in raw.items():
        if name not in set(Place):
            raise InputError(f"hurting.{name}", "unknown place")
        part = Fields(each, f"hurting.{name}")
        hurt = Hurt(part.number("pain", 0, MOST_PAIN), part.number("days", 0, MAX_DAYS, default=0))
        part.done()
        if hurt.days <= HURTS_FOR:
            found[Place(name)] = hurt
    return found


def _apart(raw: Mapping[str, Any], catalogue: Catalogue) -> dict[str, Apart]:
    found = {}
    for name, each in raw.items():
        part = Fields(each, f"apart.{name}")
        days = part.number("days", 0, MAX_DAYS, default=None)
        found[_exercise("apart", name, catalogue)] = Apart(part.choice("why", Why), days)
        part.done()
    return found


def _exercise(where: str, name: str, catalogue: Catalogue) -> str:
    exercise = catalogue.exercises.get(name)
    if exercise is None:
        raise InputError(f"{where}.{name}", "unknown exercise")
    return exercise.id


def _memory(raw: Mapping[str, Any], catalogue: Catalogue) -> dict[str, float]:
    for name in raw:
        if name not in catalogue.causes:
            raise InputError(f"memory.{name}", "unknown cause")
    return {name: read_number(f"memory.{name}", p, 0, 1) for name, p in raw.items()}
