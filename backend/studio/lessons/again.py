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


@dataclass(frozen=True)
class Asked:
    """One question. `key`: the place of a pain, "tired" or "complaint". `says`: what was told, to
    be read out. `on`: when. `answer`: gone, less, same or more, "" while it is open. `waits`: no
    week is given before it is answered."""

    key: str
    says: str
    on: date
    answer: str
    waits: bool


def asked_in(view: LessonView) -> list[Asked]:
    """What the lesson asks again, what hurt first; answered questions too."""
    lesson, last = view.lesson, view.past.last_real
    aches = asked_again(view.history.aches_before, lesson.date)
    answers = _answers(view)
    found = [
        Asked(place.value, _pain_words(place, ache, last), ache.last, answers.get(place, ""), True)
        for place, ache in aches.items()
    ]
    if last is None:
        return found
    if was_tired(last):
        words = words_of(said("again-last-time", what=said("again-tired")))
        found.append(Asked(TIRED, words, last.date, lesson.again.get(TIRED, ""), False))
    complaint = own_complaint(last)
    if complaint is not None:
        answer = lesson.again.get(COMPLAINED, "")
        words = words_of(said("again-last-time", what=_complaint_words(complaint)))
        found.append(Asked(COMPLAINED, words, last.date, answer, False))
    return found


def _answers(view: LessonView) -> dict[Place, str]:
    """By place; where the reports said that nothing hurts, all of it is gone."""
    told = {Place(k): v for k, v in view.lesson.again.items() if k in set(Place)}
    if view.lesson.reports.get("pain") == 0:
        return {**dict.fromkeys(Place, GONE), **told}
    return told


def _pain_words(place: Place, ache: Ache, last: Lesson | None) -> str:
    is_of_last = last is not None and ache.last <= last.date
    when = "again-last-time" if is_of_last else "again-at-home"
    return words_of(said(when, what=_ache_said(said("spot", place=place), ache)))


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
