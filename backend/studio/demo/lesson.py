"""A lesson of the demo studio: entered as a real one, what is said together weighed once."""

from datetime import date
from itertools import count
from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.pains import GONE
from lefthand.practice.plan import PlanItem as CoreItem
from lefthand.practice.standing import Standing, advance
from studio.entries import Entry, Opened, open_begun, write_entries
from studio.lessons.access import start_lesson
from studio.lessons.cases import LessonView, asks_pain
from studio.lessons.history import Past
from studio.lessons.reviews import ItemReview
from studio.models import Observation, Player


class DemoLessonBook:
    """Entries of one lesson; they are saved when something is asked that follows from them.
    `before`: the standing that the lessons before led to."""

    def __init__(self, player: Player, on: date, before: Standing) -> None:
        lesson = start_lesson(player, on)
        lesson.player = player
        self.opened: Opened = open_begun(lesson, Past(player.pk, on, before))
        self._numbers = count()
        self._waiting: list[Entry] = []

    def enter(self, kind: str, value: Any, key: str = "") -> None:
        client_key = f"demo-{self.opened.lesson.pk}-{next(self._numbers)}"
        self._waiting.append(Entry(client_key, kind, key, value))

    def look(self, entered: dict[str, Any]) -> None:
        """Findings of a week that is told only roughly: kept without an entry each."""
        rows = [
            Observation(lesson=self.opened.lesson, evidence=name, entered=grade, position=number)
            for number, (name, grade) in enumerate(entered.items(), start=1)
        ]
        self.opened.has_now("observations", Observation.objects.bulk_create(rows))
        self.opened.was_written(weighs=True)

    @property
    def review(self) -> list[ItemReview]:
        """Last week's exercises, before anything is said of them."""
        return self.opened.view().review

    def view(self) -> LessonView:
        """What follows from all that was entered so far."""
        self.save()
        return self.opened.view()

    def save(self) -> None:
        write_entries(self.opened, self._waiting)
        self._waiting = []

    def decide(self, *, as_proposed: bool) -> None:
        """Take the focus and the week that the rules propose; no week while a stop is up. Not
        `as_proposed`: its exercises and steps alone, in their usual dose."""
        self._answer_what_hurt()
        view = self.view()
        self.enter("focus", [focus.cause for focus in view.diagnosis.focus])
        if not view.safety.is_red:
            wish = _whole_wish if as_proposed else _wish
            self.enter("plan", [wish(item) for item in view.proposal.items])
        self.save()

    def _answer_what_hurt(self) -> None:
        """What hurt last time is gone, where nothing else was said."""
        view = self.view()
        for place in view.still_asked:
            self.enter("again", GONE, place.value)
        if asks_pain(view.lesson):
            self.enter("reports", {**view.lesson.reports, "pain": 0})

    def standing(self) -> Standing:
        """What the lessons up to this one have led to."""
        history = self.view().history
        return advance(history.standing, history.record, load_catalogue())


def _wish(item: CoreItem) -> dict[str, Any]:
    return {"exercise": item.exercise, "rung": item.rung}


def _whole_wish(item: CoreItem) -> dict[str, Any]:
    """The proposed item as it is given: dose and days included."""
    return {
        **_wish(item),
        "reps": item.dose.reps,
        "sets": item.dose.sets,
        "days": list(item.days),
    }
