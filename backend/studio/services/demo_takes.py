"""Takes of the demo studio: a made-up player plays over the term, and says so."""

from collections.abc import Iterable

from django.db import transaction

from lefthand.catalogue.catalogue import load_catalogue
from studio.models import Lesson, Player
from studio.services.takes import SLOW, simulate

CHECK = "fourth.low"
PLAYERS_WITH_TAKES = 3
LESSONS_WITH_TAKES = 3


@transaction.atomic
def play_takes(players: Iterable[Player]) -> None:
    """For three players that can be heard a take in their first, middle and last lesson so far."""
    heard = load_catalogue().evidence[CHECK].instruments
    able = [player for player in players if player.instrument in heard]
    for player in able[:PLAYERS_WITH_TAKES]:
        lessons = list(player.lessons.order_by("date"))
        for lesson in _spread(lessons):
            simulate(lesson, CHECK, SLOW)
        for lesson in lessons[-2:]:
            lesson.home_take = CHECK
            lesson.save(update_fields=["home_take"])
        if len(lessons) > 1:
            _played_at_home(lessons[-2], lessons[-1])


def _played_at_home(before: Lesson, lesson: Lesson) -> None:
    """In the middle of the week before this lesson."""
    take = simulate(before, CHECK, SLOW)
    take.home_on = before.date + (lesson.date - before.date) / 2
    take.save(update_fields=["home_on"])


def _spread(lessons: list[Lesson]) -> list[Lesson]:
    last = len(lessons) - 1
    places = {round(n * last / (LESSONS_WITH_TAKES - 1)) for n in range(LESSONS_WITH_TAKES)}
    return [lessons[place] for place in sorted(places) if last >= 0]
