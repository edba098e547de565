"""From a case to what is thought of it: causes with reasons, focus, next look, safety."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache
from typing import Any

import numpy as np

from lefthand.case.case import COMPLAINT_GRADE, Case, Finding, Known
from lefthand.case.ways import Accepted, accepted_findings
from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.reason.explain import CauseView, view_causes, why_focus
from lefthand.reason.focus import (
    NO_WORD,
    KeptColumn,
    TeacherWord,
    choose_focus,
    main_focus_columns,
    may_focus_on_reach,
)
from lefthand.reason.learning import Count
from lefthand.reason.looks import (
    STAGE_CHANGE_SECONDS,
    Look,
    LookOrder,
    is_enough,
    next_look,
    seconds_of,
    told_apart,
)
from lefthand.reason.network import Network, Posterior, network_for, posterior, with_priors
from lefthand.reason.outside import explained, outside_chances
from lefthand.reason.safety import Safety, assess_safety
from lefthand.reason.starting import ordinary_findings, starting_probabilities
from lefthand.reason.targets import target_weights
from lefthand.reason.waiting import HOLD_FIRST, awaited_checks, looked_within_a_year
from lefthand.values import said as named
from lefthand.values.said import Said, said, said_json
from lefthand.values.vocabulary import LIKELY_ABOVE, POSSIBLE_ABOVE, Instrument, Stage
from lefthand.words.words import words_of

# What belongs to the body holds from lesson to lesson.
BODY_SIGNS = ("laxity.fingers", "laxity.ninepoint")
BODY_CAUSE = "joint_laxity"
DIAGNOSIS_FORMAT = "jolf-diagnosis/1"


@dataclass(frozen=True, slots=True)
class Focus:
    cause: str
    fingers: tuple[int, ...]
    why: Said


@dataclass(frozen=True, slots=True)
class Looking:
    """How the lesson looks. `stage`: where it is now (default: that of the last finding).
    `skipped`: checks that cannot be made today."""

    stage: Stage | None = None
    skipped: frozenset[str] = frozenset()
    order: LookOrder = LookOrder.TELLING


ANYHOW = Looking()


@dataclass(frozen=True, eq=False)
class Diagnosis:
    """What is thought of a case.

    findings: those that count, the complaint among them.
    causes: all of the instrument, most probable first. engine_focus: the focus before the teacher's
    word. What looks ahead (`next_look`, `enough`) costs most and is computed when it is asked for.
    """

    case: Case
    catalogue: Catalogue
    findings: Mapping[str, Finding]
    result: Posterior
    causes: tuple[CauseView, ...]
    focus: tuple[Focus, ...]
    engine_focus: tuple[str, ...]
    word: TeacherWord
    safety: Safety
    accepted: Mapping[str, Accepted]
    looking: Looking

    def probability(self, cause: str) -> float:
        """Probability of a cause; 0.0 for one that this instrument cannot have."""
        return self.probabilities.get(cause, 0.0)

    @cached_property
    def probabilities(self) -> dict[str, float]:
        """Of every cause of the instrument, by id."""
        return {v.cause: v.probability for v in self.causes}

    @cached_property
    def targets(self) -> dict[str, float]:
        """The causes that exercises are chosen for, with how much each counts."""
        thought = [view for view in self.causes if view.cause not in self.word.dismissed]
        return target_weights([each.cause for each in self.focus], thought)

    @cached_property
    def next_look(self) -> Look | None:
        """What something waits for, else the checks that tell most per second of lesson; None when
        nothing is left."""
        first = self.awaited
        if not first and self._focus_is_settled:
            first = self._hold_first
        return next_look(
            self.result,
            self.catalogue,
            self.case.instrument,
            stage=self.looking.stage,
            skipped=self.looking.skipped,
            order=self.looking.order,
            first=first,
        )

    @property
    def awaited(self) -> tuple[str, ...]:
        """Checks that a rule, an exercise or another sign waits for; see `waiting`."""
        return tuple(self.awaited_for)

    @cached_property
    def awaited_for(self) -> dict[str, Said]:
        """The same, each with why it comes now."""
        focus = [each.cause for each in self.focus]
        awaited = awaited_checks(
            self.case, self.catalogue, self.probabilities, focus, self.targets, self.word
        )
        return {c: why for c, why in awaited.items() if c not in self.looking.skipped}

    @cached_property
    def why_next(self) -> Said | None:
        """Why the next look comes now; None where there is none."""
        look = self.next_look
        if look is None:
            return None
        first = look.checks[0]
        if first in self.awaited_for:
            return self.awaited_for[first]
        if first in self._hold_first:
            return said("look-hold")
        checks = [self.catalogue.evidence[c] for c in look.checks]
        one, *others = [named.cause(cause) for cause in told_apart(self.result, checks)]
        if not others:
            return said("look-is-it", cause=one)
        return said("look-tells", one=one, other=others[0])

    @property
    def _hold_first(self) -> tuple[str, ...]:
        """The hold without the hand, on violin and viola, where nobody has looked at it."""
        left = [c for c in HOLD_FIRST if not looked_within_a_year(self.case, c)]
        asked = self.result.network.position
        return tuple(c for c in left if c in asked and c not in self.looking.skipped)

    @property
    def enough(self) -> bool:
        """True when one cause leads clearly, or four minutes were looked, half a minute more has no
        fair chance of changing the engine's focus, nothing waits to be looked at, and on violin and
        viola the hold was asked."""
        leads = self.causes[0].probability >= self.catalogue.weighing.lead
        if not leads and self._seconds_looked < self.catalogue.weighing.seconds:
            return False
        return not self.awaited and not self._hold_first and self._focus_is_settled

    @property
    def _seconds_looked(self) -> int:
        """About what the checks of this lesson took."""
        by_stage: dict[Stage, list[Evidence]] = {}
        for name in self.case.findings:
            evidence = self.catalogue.evidence[name]
            by_stage.setdefault(evidence.stage, []).append(evidence)
        looking = sum(seconds_of(checks, self.catalogue) for checks in by_stage.values())
        return looking + STAGE_CHANGE_SECONDS * len(by_stage)

    @cached_property
    def _focus_is_settled(self) -> bool:
        causes = [self.catalogue.causes[c] for c in self.result.network.causes]
        orders = np.array([float(c.order) for c in causes])
        reach = may_focus_on_reach(self.case.instrument, set(self.case.findings))
        allowed = np.array([reach or c.id != "short_reach" for c in causes])
        return is_enough(
            self.result,
            self.catalogue,
            self.case.instrument,
            lambda p: main_focus_columns(p, orders, allowed, self._kept_column),
            self.looking.skipped,
        )

    @property
    def _kept_column(self) -> KeptColumn | None:
        kept = next(iter(self.case.kept_focus), None)
        causes = self.result.network.causes
        if kept not in causes or kept in self.word.dismissed:
            return None
        return KeptColumn(causes.index(kept), self.catalogue.weighing.margin)

    @cached_property
    def settle(self) -> str | None:
        """The trial that would settle the most upstream *possible* cause above a *likely* one."""
        done = set(self.case.findings) | self.looking.skipped
        return _settling_trial(self.probabilities, self.catalogue, self.case, done)


@dataclass(frozen=True, eq=False)
class Weighed:
    """What a case comes to before anybody's word on it.

    findings: those that count, the complaint among them; accepted: those that are no fault.
    causes: all of the instrument, most probable first. engine_focus: the focus that follows.
    """

    case: Case
    catalogue: Catalogue
    findings: Mapping[str, Finding]
    accepted: Mapping[str, Accepted]
    result: Posterior
    causes: tuple[CauseView, ...]

    @cached_property
    def engine_focus(self) -> tuple[str, ...]:
        return self.focus_with(NO_WORD)

    def focus_with(self, word: TeacherWord) -> tuple[str, ...]:
        """The focus, given what the teacher said of the causes."""
        probabilities = {v.cause: v.probability for v in self.causes}
        case = self.case
        kept = next(iter(case.kept_focus), None)
        checked = set(case.findings)
        return choose_focus(probabilities, self.catalogue, case.instrument, checked, word, kept)


def weigh(case: Case, catalogue: Catalogue, counts: Mapping[str, Count] | None = None) -> Weighed:
    """Weigh a case. `counts`: what the teacher's own lessons have settled; they shift the starting
    probabilities."""
    findings, accepted = counted_findings(case, catalogue)
    grades = {name: finding.grade for name, finding in findings.items()}
    outside = outside_chances(case, catalogue)
    result = posterior(_network(case, catalogue, counts or {}), grades, outside)
    causes = tuple(view_causes(result, findings, catalogue))
    return Weighed(case, catalogue, findings, accepted, result, causes)


def diagnose(
    case: Case,
    catalogue: Catalogue,
    *,
    word: TeacherWord = NO_WORD,
    looking: Looking = ANYHOW,
    safety: Safety | None = None,
) -> Diagnosis:
    """What is thought of a case.

    `safety` replaces what the case's own reports say, for a flag that is still up or was lifted.
    """
    return decide(weigh(case, catalogue), word=word, looking=looking, safety=safety)


def decide(
    weighed: Weighed,
    *,
    word: TeacherWord = NO_WORD,
    looking: Looking = ANYHOW,
    safety: Safety | None = None,
) -> Diagnosis:
    """What is thought of a case that was weighed, given the teacher's word; see `diagnose`."""
    case, catalogue, findings = weighed.case, weighed.catalogue, weighed.findings
    by_cause = {v.cause: v for v in weighed.causes}
    return Diagnosis(
        case=case,
        catalogue=catalogue,
        findings=findings,
        result=weighed.result,
        causes=weighed.causes,
        focus=tuple(
            Focus(
                c,
                by_cause[c].fingers,
                why_focus(by_cause[c], findings, catalogue, case.memory.get(c)),
            )
            for c in weighed.focus_with(word)
        ),
        engine_focus=weighed.engine_focus,
        word=word,
        safety=safety or assess_safety(case),
        accepted=weighed.accepted,
        looking=replace(
            looking,
            stage=looking.stage or _stage_now(case, catalogue),
            skipped=looking.skipped | frozenset(weighed.accepted),
        ),
    )


def _network(case: Case, catalogue: Catalogue, counts: Mapping[str, Count]) -> Network:
    return network_from(
        catalogue,
        case.instrument,
        tuple(starting_probabilities(case, catalogue, counts).values()),
    )


@lru_cache(maxsize=64)
def network_from(
    catalogue: Catalogue, instrument: Instrument, starting: tuple[float, ...]
) -> Network:
    """The network of an instrument with these starting probabilities, in the order of its causes.

    Few kinds of players are met in a day, so the last ones are kept.
    """
    network = network_for(catalogue, instrument)
    return with_priors(network, dict(zip(network.causes, starting, strict=True)))


def _stage_now(case: Case, catalogue: Catalogue) -> Stage | None:
    """Where the lesson is: at the last finding, or where the complaint shows, or nowhere yet."""
    if case.findings:
        return catalogue.evidence[list(case.findings)[-1]].stage
    return catalogue.evidence[case.complaint].stage if case.complaint else None


def counted_findings(
    case: Case, catalogue: Catalogue
) -> tuple[dict[str, Finding], dict[str, Accepted]]:
    """Findings that count (with the complaint at grade 2 when it was not graded), and those that
    are no fault: by the way of teaching, at this age, or as something else explains them."""
    known = {name: Finding(each.grade) for name, each in _of_the_body(case).items()}
    findings = {**known, **case.findings}
    grades = {name: finding.grade for name, finding in findings.items()}
    accepted = {
        **accepted_findings(case.way_of_teaching, catalogue, case.instrument, grades),
        **{
            name: Accepted(name, chance.because)
            for name, chance in ordinary_findings(case, catalogue).items()
        },
        **{name: Accepted(name, words) for name, words in explained(case, catalogue).items()},
    }
    if case.complaint and case.complaint not in findings:
        fingers = {case.complaint_finger: COMPLAINT_GRADE} if case.complaint_finger else {}
        by_finger = fingers if catalogue.evidence[case.complaint].per_finger else {}
        findings[case.complaint] = Finding(COMPLAINT_GRADE, by_finger)
    return {k: f for k, f in findings.items() if k not in accepted}, accepted


def _of_the_body(case: Case) -> Mapping[str, Known]:
    return {name: each for name, each in case.known.items() if name in BODY_SIGNS}


def _settling_trial(
    probabilities: Mapping[str, float], catalogue: Catalogue, case: Case, done: set[str]
) -> str | None:
    """The open trial for the most upstream possible cause that stands above a likely one."""
    likely = [catalogue.causes[c].order for c, p in probabilities.items() if p > LIKELY_ABOVE]
    if not likely:
        return None
    upstream = [
        cause
        for cause in catalogue.causes_of(case.instrument)
        if POSSIBLE_ABOVE < probabilities[cause.id] <= LIKELY_ABOVE and cause.order < max(likely)
    ]
    for cause in sorted(upstream, key=lambda c: c.order):
        trial = open_settling_trial(cause.id, catalogue, case, done)
        if trial:
            return trial
    return None


def open_settling_trial(cause: str, catalogue: Catalogue, case: Case, done: set[str]) -> str | None:
    """The trial that would settle this cause best and was not made yet, if there is one."""
    for trial in catalogue.causes[cause].settle:
        if trial not in done and case.instrument in catalogue.evidence[trial].instruments:
            return trial
    return None


def diagnosis_json(diagnosis: Diagnosis) -> dict[str, Any]:
    """The diagnosis as `jolf-diagnosis/1`."""
    look = diagnosis.next_look
    return {
        "format": DIAGNOSIS_FORMAT,
        "causes": [_cause_json(view) for view in diagnosis.causes],
        "focus": [
            {
                "cause": f.cause,
                "fingers": list(f.fingers),
                "why": words_of(f.why),
                "because": said_json(f.why),
            }
            for f in diagnosis.focus
        ],
        "next_look": look
        and {"stage": look.stage.value, "checks": list(look.checks), "seconds": look.seconds},
        "enough": diagnosis.enough,
        "safety": safety_json(diagnosis.safety),
    }


def _cause_json(view: CauseView) -> dict[str, Any]:
    return {
        "id": view.cause,
        "probability": view.probability,
        "word": view.word.value,
        "fingers": list(view.fingers),
        "for": [{"evidence": r.evidence, "weight": r.weight} for r in view.speaks_for],
        "against": [{"evidence": r.evidence, "weight": r.weight} for r in view.speaks_against],
    }


def safety_json(safety: Safety) -> dict[str, Any]:
    return {
        "level": safety.level.value,
        "reasons": [words_of(reason) for reason in safety.reasons],
        "reason_ids": [said_json(reason) for reason in safety.reasons],
        "advice": [words_of(advice) for advice in safety.advice],
    }
