"""A case: what is known of one player at one lesson, read from and written to `jolf-case/1`.

`parse_case(data)` checks every field and raises InputError naming the first that is wrong.
Defaults are those of the dataclasses below; unknown fields are refused.
"""

import json
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, fields
from pathlib import Path
from typing import Any

from lefthand.catalogue import Catalogue, Evidence
from lefthand.checks import (
    check_choice,
    check_flag,
    check_mapping,
    check_number,
    check_one_of,
    check_words,
    short,
)
from lefthand.errors import InputError
from lefthand.thresholds import ANY_BODY, Body, Cuts, grade_of
from lefthand.vocabulary import FINGERS, Instrument, Level
from lefthand.ways import cuts_in_force

CASE_FORMAT = "jolf-case/1"
AGE_RANGE = (2, 120)
MINUTES_RANGE = (1, 240)
HOURS_RANGE = (0, 24)
MAX_DAYS = 36_500
COMPLAINT_GRADE = 2
PLACES = ("skin", "thumb", "hand", "wrist", "forearm", "elbow", "shoulder", "neck", "back")
PAIN_TIMES = ("playing", "rest", "night", "next_day")
HELPER_BELOW_AGE = 13


@dataclass(frozen=True, slots=True)
class Finding:
    """One observation: the grade (worst finger for per-finger evidence) and where it came from."""

    grade: int
    by_finger: Mapping[int, int] = field(default_factory=dict)
    value: float | None = None


@dataclass(frozen=True, slots=True)
class Reports:
    """What the player says. Pain 0..10, None when not asked; weeks in the same place."""

    pain: float | None = None
    pain_when: tuple[str, ...] = ()
    place: str | None = None
    same_place_weeks: float = 0
    new: bool = False
    numbness: bool = False
    radiating: bool = False
    curling: bool = False
    swelling: bool = False
    sudden_weakness: bool = False
    tired_next_day: bool = False
    earlier_injury: bool = False
    playing_jump: bool = False


@dataclass(frozen=True, slots=True)
class Case:
    """Defaults: level beginner, age unknown (an adult), the daily minutes of that level and age,
    every way of teaching at its first value, one hour of playing a day, a helper at home below
    thirteen, any equipment, no rung passed, no recent focus, no break, no stop lifted.

    `youngest_age`: where `age` is not known to the day, the least it can be; limits for children
    read this one, limits for the old read `age`. `break_weeks`: of the last break, `days_back`
    since its end. `days_since_lift`: since the last stop was lifted."""

    instrument: Instrument
    findings: Mapping[str, Finding]
    level: Level = Level.BEGINNER
    age: float | None = None
    youngest_age: float | None = None
    daily_minutes: float | None = None
    way_of_teaching: Mapping[str, str] = field(default_factory=dict)
    reports: Reports = Reports()
    complaint: str | None = None
    hours_a_day: float = 1
    before_puberty: bool | None = None
    helper_at_home: bool | None = None
    equipment: tuple[str, ...] | None = None
    passed: Mapping[str, int] = field(default_factory=dict)
    recent_focus: tuple[str, ...] = ()
    break_weeks: float = 0
    days_back: float = 0
    days_since_lift: float | None = None

    @property
    def young_age(self) -> float | None:
        """The age that limits for children read, years."""
        return self.age if self.youngest_age is None else self.youngest_age

    @property
    def minutes_budget(self) -> float:
        """Minutes of practice on this a day: as given, or 5 / 10 / 15 by level and age."""
        if self.daily_minutes is not None:
            return self.daily_minutes
        young = self.young_age is not None and self.young_age < 8
        old = self.age is not None and self.age > 60
        if young or old or self.level is Level.BEGINNER:
            return 5
        return 15 if self.level is Level.ADVANCED else 10

    @property
    def has_helper(self) -> bool:
        if self.helper_at_home is not None:
            return self.helper_at_home
        return self.age is not None and self.age < HELPER_BELOW_AGE


def read_case(path: Path, catalogue: Catalogue) -> Case:
    """Read a case file. Raises InputError for a missing file, broken JSON or a wrong field."""
    try:
        text = path.read_text(encoding="utf-8")
    except OSError as error:
        raise InputError(str(path), f"cannot be read ({error.strerror})") from error
    except UnicodeDecodeError as error:
        raise InputError(str(path), "is not UTF-8 text") from error
    try:
        data = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise InputError(str(path), f"is not JSON ({error})") from error
    return parse_case(data, catalogue)


def parse_case(
    data: Any,
    catalogue: Catalogue,
    cuts: Mapping[str, Cuts] | None = None,
) -> Case:
    """A checked case from decoded JSON.

    `cuts` are a teacher's own edges between grades; they win over those of the ways of teaching.
    """
    data = check_mapping("", data)
    known = {f.name for f in fields(Case)} - {"findings"} | {"format", "observations"}
    _refuse_unknown("", data, known)
    if data.get("format") != CASE_FORMAT:
        raise InputError("format", f"expected {CASE_FORMAT!r}, got {short(data.get('format'))}")
    for required in ("instrument", "observations"):
        if required not in data:
            raise InputError(required, "missing")
    instrument = check_choice("instrument", data["instrument"], Instrument)
    simple = _simple_fields(data)
    body = Body(simple.get("age"), simple.get("before_puberty"))
    ways = _ways(data.get("way_of_teaching", {}), catalogue)
    cuts = {**cuts_in_force(ways, catalogue, instrument), **(cuts or {})}
    return Case(
        instrument=instrument,
        findings=_findings(data["observations"], catalogue, instrument, body, cuts),
        way_of_teaching=ways,
        reports=parse_reports(data.get("reports", {})),
        complaint=_complaint(data.get("complaint"), catalogue, instrument),
        passed=_passed(data.get("passed", {}), catalogue),
        recent_focus=_recent(data.get("recent_focus", []), catalogue),
        **simple,
    )


def _simple_fields(data: Mapping[str, Any]) -> dict[str, Any]:
    readers: dict[str, Callable[[Any], Any]] = {
        "level": lambda v: check_choice("level", v, Level),
        "age": lambda v: check_number("age", v, *AGE_RANGE),
        "youngest_age": lambda v: check_number("youngest_age", v, 0, AGE_RANGE[1]),
        "daily_minutes": lambda v: check_number("daily_minutes", v, *MINUTES_RANGE),
        "hours_a_day": lambda v: check_number("hours_a_day", v, *HOURS_RANGE),
        "break_weeks": lambda v: check_number("break_weeks", v, 0, 5000),
        "days_back": lambda v: check_number("days_back", v, 0, MAX_DAYS),
        "days_since_lift": lambda v: check_number("days_since_lift", v, 0, MAX_DAYS),
        "before_puberty": lambda v: check_flag("before_puberty", v),
        "helper_at_home": lambda v: check_flag("helper_at_home", v),
        "equipment": lambda v: tuple(check_words("equipment", v)),
    }
    return {name: read(data[name]) for name, read in readers.items() if name in data}


def _refuse_unknown(prefix: str, data: Mapping[str, Any], known: set[str]) -> None:
    unknown = sorted(set(data) - known)
    if unknown:
        raise InputError(f"{prefix}{unknown[0]}", "unknown field")


def check_evidence_id(
    name: str, item: str, catalogue: Catalogue, instrument: Instrument
) -> Evidence:
    """The evidence called `item`, or InputError at `name`."""
    evidence = catalogue.evidence.get(item)
    if evidence is None:
        raise InputError(name, f"unknown evidence {item!r}")
    if instrument not in evidence.instruments:
        raise InputError(name, f"{item!r} is not a check for {instrument.value!r}")
    return evidence


def _findings(
    data: Any,
    catalogue: Catalogue,
    instrument: Instrument,
    body: Body,
    cuts: Mapping[str, Cuts] | None,
) -> dict[str, Finding]:
    findings = {}
    for name, raw in check_mapping("observations", data).items():
        evidence = check_evidence_id(f"observations.{name}", name, catalogue, instrument)
        findings[name] = parse_finding(raw, evidence, body, cuts)
    return findings


def parse_finding(
    raw: Any,
    evidence: Evidence,
    body: Body = ANY_BODY,
    cuts: Mapping[str, Cuts] | None = None,
) -> Finding:
    """A grade 0..3, {"value": number} where a measure exists, or {finger: either} per finger."""
    where = f"observations.{evidence.id}"
    if isinstance(raw, Mapping) and "value" not in raw:
        return _per_finger(raw, evidence, where, body, cuts)
    grade, value = _one_grade(raw, evidence, where, body, None, cuts)
    return Finding(grade=grade, value=value)


def _per_finger(
    raw: Mapping[str, Any],
    evidence: Evidence,
    where: str,
    body: Body,
    cuts: Mapping[str, Cuts] | None,
) -> Finding:
    if not evidence.per_finger:
        raise InputError(where, f"expected a grade 0 to 3, got {dict(raw)!r}")
    if not raw:
        raise InputError(where, "expected at least one finger")
    by_finger = {}
    for key, entry in raw.items():
        if key not in {str(f) for f in FINGERS}:
            raise InputError(f"{where}.{key}", "expected a finger 1 to 4")
        finger = int(key)
        by_finger[finger], _ = _one_grade(entry, evidence, f"{where}.{key}", body, finger, cuts)
    return Finding(grade=max(by_finger.values()), by_finger=dict(sorted(by_finger.items())))


def _one_grade(
    raw: Any,
    evidence: Evidence,
    where: str,
    body: Body,
    finger: int | None,
    cuts: Mapping[str, Cuts] | None,
) -> tuple[int, float | None]:
    if not isinstance(raw, Mapping):
        return int(check_number(where, raw, 0, 3, whole=True)), None
    _refuse_unknown(f"{where}.", raw, {"value"})
    if evidence.measure is None:
        raise InputError(f"{where}.value", "this check has no measure; expected a grade 0 to 3")
    value = check_number(f"{where}.value", raw.get("value"))
    try:
        return grade_of(evidence.measure, value, body=body, finger=finger, cuts=cuts), value
    except InputError as error:
        raise InputError(f"{where}.value", error.problem) from error


def _ways(data: Any, catalogue: Catalogue) -> dict[str, str]:
    chosen = {}
    for key, value in check_mapping("way_of_teaching", data).items():
        way = catalogue.ways.get(key)
        if way is None:
            raise InputError(f"way_of_teaching.{key}", "unknown way of teaching")
        if value not in way.values:
            options = ", ".join(way.values)
            raise InputError(f"way_of_teaching.{key}", f"{value!r} is not one of {options}")
        chosen[key] = value
    return chosen


def parse_reports(data: Any) -> Reports:
    """Checked reports. Raises InputError naming the field."""
    data = check_mapping("reports", data)
    _refuse_unknown("reports.", data, {f.name for f in fields(Reports)})
    values: dict[str, Any] = {}
    for name, raw in data.items():
        where = f"reports.{name}"
        if name == "pain":
            values[name] = check_number(where, raw, 0, 10)
        elif name == "same_place_weeks":
            values[name] = check_number(where, raw, 0, 5000)
        elif name == "pain_when":
            times = check_words(where, [raw] if isinstance(raw, str) else raw)
            values[name] = tuple(check_one_of(where, time, PAIN_TIMES) for time in times)
        elif name == "place":
            values[name] = check_one_of(where, raw, PLACES)
        else:
            values[name] = check_flag(where, raw)
    return Reports(**values)


def _complaint(raw: Any, catalogue: Catalogue, instrument: Instrument) -> str | None:
    if raw is None:
        return None
    if not isinstance(raw, str):
        raise InputError("complaint", f"expected an evidence id, got {raw!r}")
    return check_evidence_id("complaint", raw, catalogue, instrument).id


def _passed(data: Any, catalogue: Catalogue) -> dict[str, int]:
    passed = {}
    for name, rungs in check_mapping("passed", data).items():
        exercise = catalogue.exercises.get(name)
        if exercise is None:
            raise InputError(f"passed.{name}", "unknown exercise")
        high = len(exercise.rungs)
        passed[name] = int(check_number(f"passed.{name}", rungs, 0, high, whole=True))
    return passed


def _recent(data: Any, catalogue: Catalogue) -> tuple[str, ...]:
    for cause in check_words("recent_focus", data):
        if cause not in catalogue.causes:
            raise InputError("recent_focus", f"unknown cause {cause!r}")
    return tuple(data)
