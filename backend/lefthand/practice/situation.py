"""The situation that a week is planned for: everything that rules, choice and doses read."""

from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.case.case import Case, Finding, Hurt
from lefthand.case.ways import way_value
from lefthand.catalogue.catalogue import Catalogue
from lefthand.reason.diagnosis import Diagnosis
from lefthand.reason.safety import Safety, is_loose_by_score
from lefthand.reason.waiting import JOINTS, looked_within_a_year
from lefthand.values.vocabulary import LIKELY_ABOVE, POSSIBLE_ABOVE, Grade, Likelihood, Place


@dataclass(frozen=True, slots=True)
class Situation:
    """A diagnosis as practice sees it. Built once a lesson and handed on."""

    diagnosis: Diagnosis
    catalogue: Catalogue

    @property
    def case(self) -> Case:
        return self.diagnosis.case

    @property
    def findings(self) -> Mapping[str, Finding]:
        """What was checked; a complaint alone is not among it."""
        return self.diagnosis.case.findings

    @property
    def safety(self) -> Safety:
        return self.diagnosis.safety

    def is_at_least(self, cause: str, word: Likelihood) -> bool:
        edge = LIKELY_ABOVE if word is Likelihood.LIKELY else POSSIBLE_ABOVE
        return self.diagnosis.probability(cause) > edge

    @property
    def has_loose_joints(self) -> bool:
        """Possible by the signs, or by the nine-point score alone at or above its cut-off."""
        return self.is_at_least("joint_laxity", Likelihood.POSSIBLE) or is_loose_by_score(self.case)

    @property
    def needs_support(self) -> bool:
        """The instrument slips without the hand, so that somebody has to carry it meanwhile."""
        held = [self.case.looked(name) for name in ("hold.slips", "hold.moves")]
        return any(grade is not None and grade >= Grade.CLEAR for grade in held)

    @property
    def waits_for_joints(self) -> bool:
        """Nobody has looked at loose joints for a year."""
        return self.case.instrument in self.catalogue.evidence[JOINTS].instruments and not (
            looked_within_a_year(self.case, JOINTS)
        )

    @property
    def sore(self) -> Mapping[Place, Hurt]:
        """Places that hurt today or in the last seven days, fingertip skin left out."""
        return self.case.sore

    def way(self, key: str) -> str:
        return way_value(self.case.way_of_teaching, self.catalogue, key)
