"""How last week's exercises went and what follows for each of them."""

from dataclasses import dataclass

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.progress import Advice, Move
from lefthand.practice.record import Given
from lefthand.practice.standing import advice_for
from lefthand.reason.safety import Safety
from studio.lessons.history import History
from studio.models import PlanItem, PracticeResult


@dataclass(frozen=True)
class ItemReview:
    """One exercise of the last plan in this lesson. `result`: shown today, None when not tried."""

    item: PlanItem
    exercise: Exercise
    result: PracticeResult | None
    days_done: int
    advice: Advice

    @property
    def is_under_way(self) -> bool:
        on_the_way = self.advice.move in (Move.GO_ON, Move.STAY, Move.STEP_BACK)
        return on_the_way and not self.advice.is_left_out


def review_last_plan(history: History, safety: Safety) -> list[ItemReview]:
    """The exercises of the last plan before the lesson, each with its advice."""
    results = {result.item_id: result for result in history.lesson.results.all()}
    return [
        _review(item, results.get(item.pk), history, safety) for item in history.past.last_items
    ]


def _review(
    item: PlanItem, result: PracticeResult | None, history: History, safety: Safety
) -> ItemReview:
    catalogue = load_catalogue()
    return ItemReview(
        item=item,
        exercise=catalogue.exercises[item.exercise],
        result=result,
        days_done=len(history.record.practised.get(item.exercise, ())),
        advice=advice_for(
            Given(item.exercise, item.rung), history.standing, history.record, catalogue, safety
        ),
    )
