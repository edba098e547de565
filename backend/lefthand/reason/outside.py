"""Signs that something outside the left hand brings as well, until that is ruled out.

A blurred tone is the bow's as often as the finger's. While the bow was not looked at it may bring
the blur by itself, and the sign says little about the hand; where it was looked at and is good, the
sign counts in full; where it is to blame, the sign does not count at all. The chances are working
judgement, with no published source.
"""

from lefthand.case.case import Case
from lefthand.catalogue.catalogue import Catalogue
from lefthand.values.vocabulary import Grade
from lefthand.values.wording import lower_first

NOT_LOOKED_AT = 0.25
BY_GRADE = {Grade.NONE: 0.0, Grade.SLIGHT: 0.3}


def outside_chances(case: Case, catalogue: Catalogue) -> dict[str, float]:
    """By evidence: the probability in 0..1 that something outside the hand brings it by itself."""
    found = {}
    for evidence in catalogue.evidence_of(case.instrument):
        if evidence.rule_out is not None:
            looked = case.findings.get(evidence.rule_out)
            found[evidence.id] = (
                NOT_LOOKED_AT if looked is None else BY_GRADE.get(Grade(looked.grade), 0.0)
            )
    return found


def explained(case: Case, catalogue: Catalogue) -> dict[str, str]:
    """Findings that something else is to blame for, by evidence id, with that in plain words."""
    found = {}
    for name in case.findings:
        outside = catalogue.evidence[name].rule_out
        looked = case.findings.get(outside) if outside is not None else None
        if outside is not None and looked is not None and looked.grade not in BY_GRADE:
            found[name] = lower_first(catalogue.evidence[outside].label)
    return found


def to_rule_out(case: Case, catalogue: Catalogue) -> list[str]:
    """Checks of what may explain a clear finding and was not looked at yet."""
    found = []
    for name, finding in case.findings.items():
        outside = catalogue.evidence[name].rule_out
        if outside is not None and finding.grade >= Grade.CLEAR and outside not in case.findings:
            found.append(outside)
    return found
