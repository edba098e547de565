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
        for lesson in _spread(list(player.lessons.order_by("date"))):
            simulate(lesson, CHECK, SLOW)


def _spread(lessons: list[Lesson]) -> list[Lesson]:
    last = len(lessons) - 1
    places = {round(n * last / (LESSONS_WITH_TAKES - 1)) for n in range(LESSONS_WITH_TAKES)}
    return [lessons[place] for place in sorted(places) if last >= 0]
