"""Reading `jolf-case/1`: every field is checked, unknown ones are refused, and the first that is
wrong is named in an InputError. Defaults are those of `Case`."""

from collections.abc import Callable, Mapping
from dataclasses import fields as fields_of
from pathlib import Path
from typing import Any

from lefthand.case.before import read_before, read_causes
from lefthand.case.case import Case, Finding, Reports
from lefthand.case.findings import Grading, check_evidence_id, parse_finding
from lefthand.case.grading import Body
from lefthand.case.ways import cuts_in_force
from lefthand.catalogue.catalogue import Catalogue
from lefthand.values.errors import InputError
from lefthand.values.fields import (
    Fields,
    read_choice,
    read_one_of,
    read_whole,
    read_words,
    short,
)
from lefthand.values.json_text import read_json
from lefthand.values.measures import Cuts
from lefthand.values.vocabulary import Instrument, Lately, Level, Place

CASE_FORMAT = "jolf-case/1"
AGE_RANGE = (2, 120)
MINUTES_RANGE = (1, 240)
HOURS_RANGE = (0, 24)
MAX_DAYS = 36_500
MAX_WEEKS = 5000
PLACES = tuple(place.value for place in Place)
PAIN_TIMES = ("playing", "rest", "night", "next_day")
SIGNS = tuple(f.name for f in fields_of(Reports) if f.type in (bool, "bool"))


def read_case(path: Path, catalogue: Catalogue) -> Case:
    """Read a case file. Raises InputError for a missing file, broken JSON or a wrong field."""
    return parse_case(read_json(path), catalogue)


def parse_case(data: Any, catalogue: Catalogue, cuts: Mapping[str, Cuts] | None = None) -> Case:
    """A checked case from decoded JSON.

    `cuts` are a teacher's own edges between grades; they win over those of the ways of teaching.
    """
    fields = Fields(data)
    stated = fields.take("format", None)
    if stated != CASE_FORMAT:
        fields.refuse("format", f"expected {CASE_FORMAT!r}, got {short(stated)}")
    instrument = fields.choice("instrument", Instrument)
    observations = fields.mapping("observations")
    ways = _ways(fields.mapping("way_of_teaching", {}), catalogue)
    plain = _plain_fields(fields)
    grading = Grading(
        Body(plain.get("age"), plain.get("before_puberty")),
        {**cuts_in_force(ways, catalogue, instrument), **(cuts or {})},
    )
    case = Case(
        instrument=instrument,
        findings=_findings(observations, catalogue, instrument, grading),
        way_of_teaching=ways,
        reports=parse_reports(fields.take("reports", {})),
        complaint=_complaint(fields.take("complaint", None), catalogue, instrument),
        complaint_finger=fields.whole("complaint_finger", 1, 4, default=None),
        passed=_passed(fields.mapping("passed", {}), catalogue),
        recent_focus=read_causes("recent_focus", fields.words("recent_focus", []), catalogue),
        **read_before(fields, catalogue, instrument),
        **plain,
    )
    fields.done()
    return case


def _plain_fields(fields: Fields) -> dict[str, Any]:
    """The fields that need nothing of the catalogue; those that are missing are left out."""
    readers: dict[str, Callable[[], Any]] = {
        "level": lambda: fields.choice("level", Level),
        "age": lambda: fields.number("age", *AGE_RANGE),
        "youngest_age": lambda: fields.number("youngest_age", 0, AGE_RANGE[1]),
        "daily_minutes": lambda: fields.number("daily_minutes", *MINUTES_RANGE),
        "hours_a_day": lambda: fields.number("hours_a_day", *HOURS_RANGE),
        "break_weeks": lambda: fields.number("break_weeks", 0, MAX_WEEKS),
        "days_back": lambda: fields.number("days_back", 0, MAX_DAYS),
        "days_since_lift": lambda: fields.number("days_since_lift", 0, MAX_DAYS),
        "before_puberty": lambda: fields.flag("before_puberty"),
        "helper_at_home": lambda: fields.flag("helper_at_home"),
        "equipment": lambda: tuple(fields.words("equipment")),
        "lately": lambda: tuple(
            read_choice("lately", each, Lately) for each in fields.words("lately")
        ),
    }
    return {name: read() for name, read in readers.items() if name in fields}


def _findings(
    observations: Mapping[str, Any],
    catalogue: Catalogue,
    instrument: Instrument,
    grading: Grading,
) -> dict[str, Finding]:
    findings = {}
    for name, raw in observations.items():
        evidence = check_evidence_id(f"observations.{name}", name, catalogue, instrument)
        findings[name] = parse_finding(raw, evidence, grading)
    return findings


def _ways(chosen: Mapping[str, Any], catalogue: Catalogue) -> dict[str, str]:
    for key, value in chosen.items():
        way = catalogue.ways.get(key)
        if way is None:
            raise InputError(f"way_of_teaching.{key}", "unknown way of teaching")
        read_one_of(f"way_of_teaching.{key}", value, way.values)
    return dict(chosen)


def parse_reports(data: Any) -> Reports:
    """Checked reports. Raises InputError naming the field."""
    fields = Fields(data, "reports")
    usual = Reports()
    told = fields.take("pain_when", [])
    times = read_words("reports.pain_when", [told] if isinstance(told, str) else told)
    reports = Reports(
        pain=fields.number("pain", 0, 10, default=usual.pain),
        pain_when=tuple(read_one_of("reports.pain_when", time, PAIN_TIMES) for time in times),
        place=fields.read("place", read_one_of, PLACES, default=usual.place),
        same_place_weeks=fields.number("same_place_weeks", 0, MAX_WEEKS, default=0),
        **{sign: fields.flag(sign) for sign in SIGNS},
    )
    fields.done()
    return reports


def _complaint(raw: Any, catalogue: Catalogue, instrument: Instrument) -> str | None:
    if raw is None:
        return None
    if not isinstance(raw, str):
        raise InputError("complaint", f"expected an evidence id, got {short(raw)}")
    return check_evidence_id("complaint", raw, catalogue, instrument).id


def _passed(data: Mapping[str, Any], catalogue: Catalogue) -> dict[str, int]:
    passed = {}
    for name, rungs in data.items():
        exercise = catalogue.exercises.get(name)
        if exercise is None:
            raise InputError(f"passed.{name}", "unknown exercise")
        passed[name] = read_whole(f"passed.{name}", rungs, 0, len(exercise.rungs))
    return passed
