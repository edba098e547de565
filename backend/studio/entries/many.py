"""One grade for many players at once, in as many queries as for one."""

from collections.abc import Mapping, Sequence
from datetime import date

from django.db import transaction
from django.db.models import F, Max

from lefthand.values.vocabulary import Grade
from studio.entries.focus import follow_theory
from studio.entries.opened import open_lesson
from studio.keeping.turns import my_turn
from studio.memory.standing import forget_many
from studio.models import Lesson, LessonEntry, Observation, Player


def record_not_there(
    players: Sequence[Player], check: str, keys: Mapping[int, str], on: date
) -> None:
    """Grade a check as not there in each player's lesson of that day, as an entry each that can be
    undone alone. `keys`: by player; one that has arrived before counts once. Who has a grade of the
    check keeps it."""
    with my_turn(), transaction.atomic():
        known = LessonEntry.objects.filter(lesson__date=on, client_key__in=list(keys.values()))
        arrived = set(known.values_list("lesson__player", flat=True))
        ids = [player.pk for player in players if player.pk not in arrived]
        of_day = Lesson.objects.filter(player__in=ids, date=on)
        begun = set(of_day.values_list("player", flat=True))
        Lesson.objects.bulk_create(
            Lesson(player_id=pk, date=on, is_glance=True) for pk in ids if pk not in begun
        )
        lessons = list(
            of_day.exclude(observations__evidence=check).annotate(
                last=Max("observations__position"), decided=Max("focuses__rank")
            )
        )
        Observation.objects.bulk_create(
            Observation(
                lesson=lesson, evidence=check, entered=Grade.NONE, position=(lesson.last or 0) + 1
            )
            for lesson in lessons
        )
        LessonEntry.objects.bulk_create(
            LessonEntry(
                lesson=lesson,
                client_key=keys[lesson.player_id],
                kind="observation",
                key=check,
                after=Grade.NONE,
            )
            for lesson in lessons
        )
        changed = Lesson.objects.filter(pk__in=[lesson.pk for lesson in lessons])
        changed.update(revision=F("revision") + 1)
        forget_many([lesson.player_id for lesson in lessons], on)
        for lesson in lessons:
            if lesson.decided is not None:
                follow_theory(open_lesson(lesson.pk))
