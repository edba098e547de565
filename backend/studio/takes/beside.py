"""Which takes are laid beside each other: slow and fast, before and after, the first and now."""

from dataclasses import dataclass
from typing import Literal

from lefthand.case.findings import parse_finding
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.sound.laid_beside import LaidBeside, laid_beside
from lefthand.values.vocabulary import Grade
from studio.memory.findings import grading_of
from studio.models import Lesson, Take
from studio.takes.takes import FAST, SLOW, sentence_of

Kind = Literal["slow_fast", "before_after", "first_now"]


@dataclass(frozen=True)
class TwoTakes:
    """`grades`: of what the check measures before and after one thing was changed, so that the
    pair may stand as a trial's evidence; None for any other pair, and where nothing was to ease."""

    kind: Kind
    before: Take
    after: Take
    found: LaidBeside
    sentence: str
    grades: tuple[int, int] | None = None


def pairs_of(lesson: Lesson, takes: list[Take]) -> list[TwoTakes]:
    """Of the takes of this lesson for one check, in the order in which they were played; each the
    newest pair of its kind."""
    usable = [take for take in takes if take.result["usable"]]
    if not usable:
        return []
    last = usable[-1]
    pairs = []
    newest = {take.part: take for take in usable}
    if SLOW in newest and FAST in newest:
        words = sentence_of(list(newest.values()))
        pairs.append(_pair("slow_fast", newest[SLOW], newest[FAST], words))
    same = [take for take in usable if take.part == last.part]
    if len(same) > 1:
        pairs.append(_pair("before_after", same[-2], last))
    first = _first_before(lesson, last)
    if first is not None:
        pairs.append(_pair("first_now", first, last))
    return pairs


def _pair(kind: Kind, before: Take, after: Take, sentence: str | None = None) -> TwoTakes:
    found = laid_beside(before.result, after.result, after.evidence)
    words = found.sentence if sentence is None else sentence
    return TwoTakes(kind, before, after, found, words, _trial_grades(kind, before, after, found))


def _trial_grades(
    kind: Kind, before: Take, after: Take, found: LaidBeside
) -> tuple[int, int] | None:
    """A change that cannot be told from chance is none, whatever grades the numbers fall into."""
    if kind != "before_after" or not after.is_changed:
        return None
    grades = [_grade(take) for take in (before, after)]
    one, two = grades
    if one is None or two is None or one == Grade.NONE:
        return None
    return (one, two) if found.is_moved else (one, one)


def _grade(take: Take) -> int | None:
    entered = take.result["observations"].get(take.evidence)
    if entered is None:
        return None
    check = load_catalogue().evidence[take.evidence]
    return parse_finding(entered, check, grading_of(take.lesson)).grade


def _first_before(lesson: Lesson, last: Take) -> Take | None:
    """The player's first take of the same music in a lesson before."""
    before = Take.objects.filter(
        lesson__player=lesson.player_id,
        lesson__date__lt=lesson.date,
        home_on=None,
        evidence=last.evidence,
        part=last.part,
        result__usable=True,
    )
    first = before.select_related("lesson").defer("curve").order_by("lesson__date", "-pk").first()
    return first if first is not None and _music(first) == _music(last) else None


def _music(take: Take) -> list[object]:
    return [note.get("midi") for note in take.score["notes"]]
