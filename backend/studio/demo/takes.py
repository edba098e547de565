"""Takes of the demo studio: a made-up player plays over the term, and says so.

Playing and hearing are work for a processor of its own: they begin while the studio is still being
built.
"""

from collections.abc import Sequence
from concurrent.futures import Executor, Future
from datetime import date

from lefthand.catalogue.catalogue import load_catalogue
from studio.models import Lesson, Player, Take
from studio.takes.takes import SLOW, keep_take, performance_of, performed

CHECK = "fourth.low"
PLAYERS_WITH_TAKES = 3
LESSONS_WITH_TAKES = 3


class DemoTakes:
    """For the first three players that can be heard a take in their first, middle and last lesson
    so far, and one at home. `begin` for each player that stands, `keep` when all do. `pool`: where
    they are played."""

    def __init__(self, pool: Executor) -> None:
        self._pool = pool
        self._begun: list[tuple[Lesson, date | None, Future[Take]]] = []
        self._players = 0

    def begin(self, player: Player) -> None:
        heard = load_catalogue().evidence[CHECK].instruments
        lessons = list(player.lessons.order_by("date"))
        if player.instrument not in heard or not lessons or self._players == PLAYERS_WITH_TAKES:
            return
        self._players += 1
        for lesson in _spread(lessons):
            self._play(lesson, 0)
        if len(lessons) > 1:
            before, last = lessons[-2:]
            in_the_week = before.date + (last.date - before.date) / 2
            self._play(before, int(before in _spread(lessons)), in_the_week)
        Lesson.objects.filter(pk__in=[lesson.pk for lesson in lessons[-2:]]).update(home_take=CHECK)

    def _play(self, lesson: Lesson, earlier: int, home_on: date | None = None) -> None:
        it = performance_of(lesson, CHECK, SLOW, earlier)
        self._begun.append((lesson, home_on, self._pool.submit(performed, it)))

    def keep(self) -> None:
        """Wait for what is still being played, and keep it all."""
        for lesson, home_on, future in self._begun:
            take = future.result()
            take.home_on = home_on
            keep_take(lesson, take)


def _spread(lessons: Sequence[Lesson]) -> list[Lesson]:
    last = len(lessons) - 1
    places = {round(n * last / (LESSONS_WITH_TAKES - 1)) for n in range(LESSONS_WITH_TAKES)}
    return [lessons[place] for place in sorted(places)]
