"""Starting lessons and finding the records of a teacher."""

from datetime import date

from django.contrib.auth.models import AbstractBaseUser, AnonymousUser
from django.db.models import QuerySet

from studio.errors import StudioError
from studio.memory.learning import counts_for
from studio.memory.records import given_week, lesson_rows
from studio.memory.standing import forget
from studio.models import Lesson, Player, PracticeResult

Teacher = AbstractBaseUser | AnonymousUser


def players_of(teacher: Teacher) -> QuerySet[Player]:
    """The only way to players: those of this teacher."""
    return Player.objects.filter(teacher_id=teacher.pk, arriving_since=None)


def player_of(teacher: Teacher, player_id: int) -> Player:
    players = players_of(teacher).select_related("teacher__studio_settings")
    player = players.filter(pk=player_id).first()
    if player is None:
        raise StudioError("not_found", "player")
    return player


def must_own_lesson(teacher: Teacher, lesson_id: int) -> None:
    """Raises StudioError for a lesson that is not one of this teacher."""
    if not Lesson.objects.filter(pk=lesson_id, player__teacher_id=teacher.pk).exists():
        raise StudioError("not_found", "lesson")


def lesson_of(teacher: Teacher, lesson_id: int) -> Lesson:
    lesson = lesson_rows().filter(pk=lesson_id, player__teacher_id=teacher.pk).first()
    if lesson is None:
        raise StudioError("not_found", "lesson")
    return lesson


def start_lesson(player: Player, on: date) -> Lesson:
    """The player's lesson of this day, begun if need be."""
    lesson = Lesson.objects.filter(player=player, date=on).first()
    if lesson is not None and not lesson.is_glance:
        return lesson
    begun = {"is_glance": False, "starting_counts": counts_for(player)}
    lesson, _ = Lesson.objects.update_or_create(player=player, date=on, defaults=begun)
    forget(player.pk, on)
    return lesson


def glance_lesson(player: Player, on: date) -> Lesson:
    """Where a look over a class is kept: the day's lesson, or one that is a mere glance."""
    return Lesson.objects.get_or_create(player=player, date=on, defaults={"is_glance": True})[0]


def remove_lesson(lesson: Lesson) -> None:
    """Remove a lesson that was begun by mistake, with all its entries.

    A lesson that raised a stop, or whose week was practised, stays. Raises StudioError.
    """
    if lesson.red_flags.exists():
        raise StudioError("conflict", "lesson", "a stop was raised in it, so it stays")
    if lesson.home_days.exists() or PracticeResult.objects.filter(item__plan__lesson=lesson):
        raise StudioError("conflict", "lesson", "its week was practised, so it stays")
    lesson.delete()
    forget(lesson.player_id, lesson.date)


def plan_minutes(lesson: Lesson) -> float:
    """Minutes of the fullest day of the lesson's plan."""
    week = given_week(lesson)
    return week.minutes if week else 0.0
