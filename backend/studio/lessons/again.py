"""What was told last time and is asked again by name: pain and its place, tiredness, complaint."""

from dataclasses import dataclass
from datetime import date

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.pains import GONE, LESS, MORE, Ache, asked_again
from lefthand.values.vocabulary import Place
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
        words = "Last time: tired into the next day"
        found.append(Asked(TIRED, words, last.date, lesson.again.get(TIRED, ""), False))
    complaint = own_complaint(last)
    if complaint is not None:
        answer = lesson.again.get(COMPLAINED, "")
        words = f"Last time: {_complaint_words(complaint)}"
        found.append(Asked(COMPLAINED, words, last.date, answer, False))
    return found


def _answers(view: LessonView) -> dict[Place, str]:
    """By place; where the reports said that nothing hurts, all of it is gone."""
    told = {Place(k): v for k, v in view.lesson.again.items() if k in set(Place)}
    if view.lesson.reports.get("pain") == 0:
        return {**dict.fromkeys(Place, GONE), **told}
    return told


def _pain_words(place: Place, ache: Ache, last: Lesson | None) -> str:
    what = place.named.removeprefix("the ")
    when = "Last time" if last is not None and ache.last <= last.date else "At home"
    if ache.told is not None:
        return f"{when}: {what}, {ache.told:g} of 10"
    if ache.answer in (LESS, MORE):
        return f"{when}: {what}, {ache.answer} than before"
    return f"{when}: {what}"


def _complaint_words(evidence: str) -> str:
    catalogue = load_catalogue()
    said = (c.says for c in catalogue.complaints.values() if c.evidence == evidence)
    return f"“{next(said, catalogue.evidence[evidence].label)}”"
