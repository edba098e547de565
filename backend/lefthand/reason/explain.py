"""Why a cause is thought likely or not, in weights and to be said, and which finger shows it."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from lefthand.case.case import Finding
from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence, fingers_named
from lefthand.reason.network import Posterior, log_odds, without_each
from lefthand.values.said import Said, said
from lefthand.values.said import cause as said_cause
from lefthand.values.said import evidence as said_of
from lefthand.values.vocabulary import FingerRole, Likelihood, likelihood_of

SMALLEST_WEIGHT = 0.05
FINGER_SHARE = 0.6
MOST_TOLD = 3


@dataclass(frozen=True, slots=True)
class Reason:
    """One piece of evidence and its weight: the change in log odds when it is left out."""

    evidence: str
    weight: float


@dataclass(frozen=True, slots=True)
class CauseView:
    """What is thought of one cause. `speaks_for` and `speaks_against`: strongest first."""

    cause: str
    probability: float
    fingers: tuple[int, ...]
    speaks_for: tuple[Reason, ...]
    speaks_against: tuple[Reason, ...]

    @property
    def word(self) -> Likelihood:
        return likelihood_of(self.probability)


def view_causes(
    result: Posterior, findings: Mapping[str, Finding], catalogue: Catalogue
) -> list[CauseView]:
    """Every cause of the instrument, most probable first."""
    network = result.network
    full = log_odds(result.probabilities)
    weights = {e: full - log_odds(p) for e, p in without_each(result).items()}
    views = []
    for column, cause in enumerate(network.causes):
        reasons = [Reason(e, float(w[column])) for e, w in weights.items()]
        views.append(
            CauseView(
                cause=cause,
                probability=float(result.probabilities[column]),
                fingers=fingers_of(cause, findings, catalogue),
                speaks_for=_sorted(r for r in reasons if r.weight >= SMALLEST_WEIGHT),
                speaks_against=_sorted(r for r in reasons if r.weight <= -SMALLEST_WEIGHT),
            )
        )
    return sorted(views, key=lambda v: (-v.probability, catalogue.causes[v.cause].order))


def _sorted(reasons: Iterable[Reason]) -> tuple[Reason, ...]:
    return tuple(sorted(reasons, key=lambda r: (-abs(r.weight), r.evidence)))


def fingers_of(
    cause: str,
    findings: Mapping[str, Finding],
    catalogue: Catalogue,
    role: FingerRole | None = None,
) -> tuple[int, ...]:
    """Fingers in which the cause shows, the clearest ones only; empty when none was named.

    role: only the fingers that are to be let go (those that a sign of idle fingers names), or only
    those that are to be trained; None for both.
    """
    scores: dict[int, float] = {}
    for name, finding in findings.items():
        evidence = catalogue.evidence[name]
        if role is not None and evidence.of_idle is not (role is FingerRole.LET_GO):
            continue
        strength = evidence.causes.get(cause, 0.0)
        for finger, grade in _grades_by_finger(evidence, finding).items():
            scores[finger] = scores.get(finger, 0.0) + strength * grade
    top = max(scores.values(), default=0.0)
    if top <= 0:
        return ()
    return tuple(sorted(f for f, score in scores.items() if score >= FINGER_SHARE * top))


def _grades_by_finger(evidence: Evidence, finding: Finding) -> Mapping[int, int]:
    if finding.by_finger:
        return finding.by_finger
    if evidence.per_finger:
        return {}
    return dict.fromkeys(fingers_named(evidence), finding.grade)


def seen(evidence: Evidence, finding: Finding) -> Said:
    """One finding as a teacher would say it: "opening beside the thumb is shut (strong)"."""
    fingers = tuple(f for f, g in finding.by_finger.items() if g > 0 and g == finding.grade)
    label, how = said_of(evidence.id), how_clear(evidence, finding.grade)
    if fingers:
        return said("seen-fingers", label=label, how=how, fingers=fingers)
    return said("seen-now", label=label, how=how)


def how_clear(evidence: Evidence, grade: int) -> Said:
    """A grade in words; of a trial, how much it helped."""
    return said(f"{'trial' if evidence.is_trial else 'grade'}-{grade}")


def why_focus(
    view: CauseView,
    findings: Mapping[str, Finding],
    catalogue: Catalogue,
    before: float | None = None,
) -> Said:
    """The cause, how likely, and the evidence that speaks for it. `before`: how probable it was by
    earlier lessons, before this one looked."""
    cause, word = said_cause(view.cause), view.word
    strongest = tuple(
        seen(catalogue.evidence[r.evidence], findings[r.evidence])
        for r in view.speaks_for[:MOST_TOLD]
        if findings[r.evidence].grade > 0
    )
    if strongest:
        return said("focus-because", cause=cause, word=word, seen=strongest)
    if before is not None:
        return said("focus-before", cause=cause, word=word, before=likelihood_of(before))
    return said("focus-often-met", cause=cause, word=word)
