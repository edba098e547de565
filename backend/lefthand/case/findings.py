"""Findings as they are entered: a grade, a measured number, or either for single fingers."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from lefthand.case.case import WHOLE_HAND, Compared, Finding, Measurement, Source
from lefthand.case.grading import ANY_BODY, Body, grade_of
from lefthand.case.pair import Pair
from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.values.errors import InputError
from lefthand.values.fields import Fields, read_number, read_whole, short
from lefthand.values.measures import MEASURES, Cuts
from lefthand.values.vocabulary import FINGERS, Grade, Instrument

MAX_CHANGED = 120
MEASURED_BEFORE, MEASURED_AFTER = "measured_before", "measured_after"
FINGER_KEYS = {str(finger): finger for finger in FINGERS}


@dataclass(frozen=True, slots=True)
class Grading:
    """What a number's grade depends on; `cuts` are edges apart from the usual ones, by measure."""

    body: Body = ANY_BODY
    cuts: Mapping[str, Cuts] | None = None


USUAL = Grading()


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


def parse_finding(raw: Any, evidence: Evidence, grading: Grading = USUAL) -> Finding:
    """A finding from what was entered:

    - a grade 0..3, or
    - {"value": number, "spread"?, "source"?, "grade"?} where the check has a measure; a grade that
      stands beside the number was decided then and is kept, whatever the edges are now, or
    - {"before": 1..3, "after": 0..3, "changed"?, "grade"?} for a trial: the grade is how clearly
      the trouble eased, or
    - {"measured_before": number, "measured_after": number, "changed"?, "grade"?} for a trial with a
      pair: both numbers are graded by its measure; a gain that two measurings of one hand may have
      eases nothing, or
    - {finger: any of these} where the check tells fingers apart.

    Raises InputError naming the field.
    """
    where = f"observations.{evidence.id}"
    if is_by_finger(raw):
        return _by_finger(raw, evidence, where, grading)
    if _is_compared(raw):
        compared = _compared(raw, evidence, where, grading)
        return Finding(_eased(compared), compared=compared)
    grade, measured = _one(raw, evidence, where, None, grading)
    return Finding(grade, measured={WHOLE_HAND: measured} if measured else {})


def is_by_finger(raw: Any) -> bool:
    """True for what is entered finger by finger."""
    return isinstance(raw, Mapping) and "value" not in raw and not _is_compared(raw)


def _is_compared(raw: Any) -> bool:
    return isinstance(raw, Mapping) and ("before" in raw or MEASURED_BEFORE in raw)


def _compared(raw: Any, evidence: Evidence, where: str, grading: Grading) -> Compared:
    if not evidence.is_trial:
        raise InputError(where, "only a trial is compared; expected a grade 0 to 3")
    fields = Fields(raw, where)
    changed = fields.text("changed", default="")[:MAX_CHANGED]
    fields.take("grade", None)
    if MEASURED_BEFORE in fields:
        found = _measured_pair(fields, evidence, where, grading, changed)
    else:
        found = Compared(
            before=fields.whole("before", Grade.SLIGHT, Grade.STRONG),
            after=fields.whole("after", Grade.NONE, Grade.STRONG),
            changed=changed,
        )
    fields.done()
    return found


def _measured_pair(
    fields: Fields, evidence: Evidence, where: str, grading: Grading, changed: str
) -> Compared:
    if evidence.pair is None:
        raise InputError(where, "this trial has no measure; expected grades before and after")
    values, grades = [], []
    for name in (MEASURED_BEFORE, MEASURED_AFTER):
        values.append(fields.read(name, read_number))
        try:
            grade = grade_of(
                evidence.pair.measure, values[-1], body=grading.body, cuts=grading.cuts
            )
        except InputError as error:
            raise InputError(f"{where}.{name}", error.problem) from error
        grades.append(grade)
    return Compared(grades[0], grades[1], changed, Pair(evidence.pair.measure, *values))


def _eased(compared: Compared) -> int:
    if compared.measured is not None and not compared.measured.eases:
        return Grade.NONE
    return eased_grade(compared.before, compared.after)


def eased_grade(before: int, after: int) -> int:
    """How clearly a trouble eased, 0..3, from its grades before (1..3) and after: gone is at once,
    or clearly where it was slight; else a step a grade (working judgement, no source)."""
    if after >= before:
        return Grade.NONE
    if after == Grade.NONE:
        return Grade.STRONG if before >= Grade.CLEAR else Grade.CLEAR
    return before - after


def with_grades(raw: Any, finding: Finding) -> Any:
    """What was entered, with the grade that each number has now written beside it."""
    if not isinstance(raw, Mapping):
        return raw
    if not is_by_finger(raw):
        return {**raw, "grade": finding.grade}
    return {
        key: {**each, "grade": finding.by_finger[int(key)]} if isinstance(each, Mapping) else each
        for key, each in raw.items()
    }


def decided_grades(raw: Any) -> tuple[int, dict[int, int]]:
    """(grade, grades by finger) of what was entered with its grades; see `with_grades`."""
    if not is_by_finger(raw):
        return _decided(raw), {}
    by_finger = {int(key): _decided(each) for key, each in raw.items()}
    return max(by_finger.values()), by_finger


def _decided(raw: Any) -> int:
    return int(raw["grade"] if isinstance(raw, Mapping) else raw)


def _by_finger(raw: Mapping[str, Any], evidence: Evidence, where: str, grading: Grading) -> Finding:
    if not evidence.per_finger:
        raise InputError(where, f"expected a grade 0 to 3, got {short(dict(raw))}")
    if not raw:
        raise InputError(where, "expected at least one finger")
    grades, measured = {}, {}
    for key, each in sorted(raw.items(), key=lambda pair: str(pair[0])):
        finger = FINGER_KEYS.get(key)
        if finger is None:
            raise InputError(f"{where}.{key}", "expected a finger 1 to 4")
        grades[finger], number = _one(each, evidence, f"{where}.{key}", finger, grading)
        if number is not None:
            measured[finger] = number
    return Finding(max(grades.values()), grades, measured)


def _one(
    raw: Any, evidence: Evidence, where: str, finger: int | None, grading: Grading
) -> tuple[int, Measurement | None]:
    if not isinstance(raw, Mapping):
        return read_whole(where, raw, Grade.NONE, Grade.STRONG), None
    if _is_compared(raw):
        return _eased(_compared(raw, evidence, where, grading)), None
    if evidence.measure is None:
        raise InputError(f"{where}.value", "this check has no measure; expected a grade 0 to 3")
    fields = Fields(raw, where)
    measured = Measurement(
        value=fields.read("value", read_number),
        unit=MEASURES[evidence.measure].unit,
        spread=fields.number("spread", 0, 1e6, default=None),
        source=fields.choice("source", Source, default=Source.TYPED),
    )
    decided = fields.whole("grade", Grade.NONE, Grade.STRONG, default=None)
    fields.done()
    try:
        grade = grade_of(
            evidence.measure, measured.value, body=grading.body, finger=finger, cuts=grading.cuts
        )
    except InputError as error:
        raise InputError(f"{where}.value", error.problem) from error
    return grade if decided is None else decided, measured
