"""All that has changed over a course, computed once: the facade of this floor."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from lefthand.case.case import WHOLE_HAND
from lefthand.catalogue.catalogue import Catalogue
from lefthand.change.causes import CauseChange, CauseWord, cause_changes
from lefthand.change.course import Course, series_of, values_of
from lefthand.change.helped import Helped, what_helped
from lefthand.change.measures import MeasureChange, measure_change
from lefthand.change.memory import causes_over_time
from lefthand.change.next_step import NextStep, next_step
from lefthand.change.signs import SignChange, sign_changes
from lefthand.reason.learning import Count
from lefthand.reason.safety import Safety
from lefthand.reason.starting import starting_probabilities
from lefthand.values.said import said_json
from lefthand.words.words import words_of

CHANGE_FORMAT = "jolf-change/1"
NO_COUNTS: Mapping[str, Count] = {}
RANK = (CauseWord.GONE, CauseWord.CLEARLY_LESS, CauseWord.PROBABLY_LESS)


@dataclass(frozen=True, eq=False)
class Change:
    """signs: the hand as a whole and finger by finger. causes: those that were likely once or a
    focus. measures: by evidence and finger (WHOLE_HAND for the hand as a whole)."""

    course: Course
    signs: Sequence[SignChange]
    causes: Sequence[CauseChange]
    measures: Mapping[tuple[str, int], MeasureChange]
    helped: Sequence[Helped]
    next: NextStep

    @property
    def most_clearly_better(self) -> CauseChange | None:
        """The cause that most clearly became less; None where there is none."""
        better = [c for c in self.causes if c.word in RANK[:2]]
        return min(better, key=lambda c: (RANK.index(c.word), -c.eased_by), default=None)

    @property
    def stuck(self) -> CauseChange | None:
        """The cause of the newest focus on which work has changed nothing yet."""
        return next((c for c in self.causes if c.word is CauseWord.STUCK), None)


def change_of(
    course: Course,
    catalogue: Catalogue,
    *,
    counts: Mapping[str, Count] = NO_COUNTS,
    safety: Safety | None = None,
) -> Change:
    """What truly changed. `counts`: what the teacher's own lessons have settled. `safety`: stops
    that are known besides the pain in the course."""
    signs = sign_changes(course.days, series_of(course, catalogue))
    priors = starting_probabilities(replace(course.case, findings={}), catalogue, counts)
    causes = cause_changes(
        course, causes_over_time(course.heard, priors, catalogue), signs, catalogue
    )
    return Change(
        course=course,
        signs=signs,
        causes=causes,
        measures=_measures(course, catalogue),
        helped=what_helped(course, catalogue),
        next=next_step(course, causes, catalogue, safety),
    )


def _measures(course: Course, catalogue: Catalogue) -> dict[tuple[str, int], MeasureChange]:
    found = {}
    for (name, finger), taken in values_of(course).items():
        measure = catalogue.evidence[name].measure
        change = measure_change(measure, taken) if measure is not None else None
        if change is not None:
            found[name, finger] = change
    return found


def change_json(change: Change) -> dict[str, Any]:
    """The change as `jolf-change/1`."""
    signs: dict[str, dict[str, Any]] = {}
    for each in change.signs:
        told = _sign_json(each)
        if each.series.finger is None:
            signs[each.series.evidence.id] = {**told, "fingers": {}}
        else:
            signs[each.series.evidence.id]["fingers"][str(each.series.finger)] = told
    return {
        "format": CHANGE_FORMAT,
        "signs": signs,
        "causes": {
            each.cause: [
                {"date": str(lesson.on), "probability": round(p, 4), "trouble": round(trouble, 4)}
                for lesson, p, trouble in zip(
                    change.course.lessons, each.probability, each.trouble, strict=True
                )
            ]
            for each in change.causes
        },
        "words": {each.cause: each.word.value for each in change.causes},
        "measures": [_measure_json(*key, found) for key, found in change.measures.items()],
        "helped": [_helped_json(each) for each in change.helped],
        "next": _next_json(change.next),
    }


def _sign_json(sign: SignChange) -> dict[str, Any]:
    month = sign.less_than_a_month_ago
    return {
        "word": sign.word.value,
        "less": round(sign.less, 4),
        "more": round(sign.more, 4),
        "less_than_a_month_ago": None if month is None else round(month, 4),
    }


def _measure_json(evidence: str, finger: int, change: MeasureChange) -> dict[str, Any]:
    return {
        "evidence": evidence,
        "finger": None if finger == WHOLE_HAND else finger,
        "measure": change.measure,
        "first": change.first,
        "last": change.last,
        "gain": change.gain,
        "least_real_change": change.least.least,
        "basis": change.least.basis.value,
        "is_real": change.is_real,
        "trend": change.trend
        and {"slope": change.trend.slope, "low": change.trend.low, "high": change.trend.high},
        "is_first_worst": change.is_first_worst,
    }


def _helped_json(helped: Helped) -> dict[str, Any]:
    return {
        "exercise": helped.exercise,
        "cause": helped.cause,
        "given_on": str(helped.given_on),
        "looked_on": str(helped.looked_on),
        "days": helped.days,
        "less": round(helped.less, 4),
        "is_less": helped.is_less,
    }


def _next_json(step: NextStep) -> dict[str, Any]:
    return {
        "step": step.step.value,
        "why": words_of(step.why),
        "reason": said_json(step.why),
        "cause": step.cause,
        "weeks": step.weeks,
        "expected": step.expected and list(step.expected),
        "check": step.check,
    }
