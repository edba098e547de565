"""What was told last time and is asked again by name: pain and its place, tiredness, complaint."""

from dataclasses import dataclass
from datetime import date

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.pains import GONE, LESS, MORE, Ache, asked_again
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Place
from lefthand.words import words_of
from studio.lessons.cases import LessonView
from studio.memory.last_time import COMPLAINED, TIRED, own_complaint, was_tired
from studio.models import Lesson

LAST_TIME, AT_HOME = "again-last-time", "again-at-home"


@dataclass(frozen=True)
class Asked:
    """One question. `key`: the place of a pain, "tired" or "complaint". `says`: what was told, to
    be read out; `what`: the same beside others of last time. `on`: when. `answer`: gone, less, same
    or more, "" while it is open. `waits`: no week is given before it is answered."""

    key: str
    says: str
    what: str
    on: date
    answer: str
    waits: bool


def asked_in(view: LessonView) -> list[Asked]:
    """What the lesson asks again, what hurt first; answered questions too."""
    lesson, last = view.lesson, view.past.last_real
    aches = asked_again(view.history.aches_before, lesson.date)
    answers = _answers(view)
    found = [
        _asked(
            place.value,
            _ache_said(said("spot", place=place), ache),
            ache.last,
            answers.get(place, ""),
            when=LAST_TIME if _is_of(last, ache) else AT_HOME,
            waits=True,
        )
        for place, ache in aches.items()
    ]
    if last is None:
        return found
    if was_tired(last):
        answer = lesson.again.get(TIRED, "")
        found.append(_asked(TIRED, said("again-tired"), last.date, answer))
    complaint = own_complaint(last)
    if complaint is not None:
        answer = lesson.again.get(COMPLAINED, "")
        words = _complaint_words(complaint)
        found.append(_asked(COMPLAINED, words, last.date, answer))
    return found


def _asked(
    key: str,
    what: Said | str,
    on: date,
    answer: str,
    *,
    when: str = LAST_TIME,
    waits: bool = False,
) -> Asked:
    says = words_of(said(when, what=what))
    plain = what if isinstance(what, str) else words_of(what)
    return Asked(
        key=key,
        says=says,
        what=plain if when == LAST_TIME else says,
        on=on,
        answer=answer,
        waits=waits,
    )


def _answers(view: LessonView) -> dict[Place, str]:
    """By place; where the reports said that nothing hurts, all of it is gone."""
    told = {Place(k): v for k, v in view.lesson.again.items() if k in set(Place)}
    if view.lesson.reports.get("pain") == 0:
        return {**dict.fromkeys(Place, GONE), **told}
    return told


def _is_of(last: Lesson | None, ache: Ache) -> bool:
    """True for what was told in the last lesson, not at home since."""
    return last is not None and ache.last <= last.date


def _ache_said(place: Said, ache: Ache) -> Said:
    if ache.told is not None:
        return said("again-told", place=place, pain=ache.told)
    if ache.answer == LESS:
        return said("again-less", place=place)
    if ache.answer == MORE:
        return said("again-more", place=place)
    return place


def _complaint_words(evidence: str) -> str:
    catalogue = load_catalogue()
    told = (c.says for c in catalogue.complaints.values() if c.evidence == evidence)
    return f"“{next(told, catalogue.evidence[evidence].label)}”"
