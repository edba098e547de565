"""What a teacher's own lessons have settled about causes, counted from the records."""

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.learning import Count, LessonFacts, count_verdicts
from studio.models import Lesson, Player, TeacherSettings
from studio.services.findings import findings_of
from studio.services.known import dismissed_in, focus_of


def settled_by(settings: TeacherSettings, without_player: int | None = None) -> dict[str, Count]:
    """Counts over the teacher's players, one player perhaps left out so that nobody counts for
    their own diagnosis."""
    lessons = (
        Lesson.objects.filter(player__teacher=settings.teacher_id)
        .exclude(player=without_player)
        .select_related("player__teacher__studio_settings")
        .prefetch_related("observations", "focuses", "cause_words")
        .order_by("player_id", "date", "pk")
    )
    if settings.learns_after:
        lessons = lessons.filter(date__gt=settings.learns_after)
    by_player: dict[int, list[LessonFacts]] = {}
    for lesson in lessons:
        by_player.setdefault(lesson.player_id, []).append(lesson_facts(lesson))
    return count_verdicts(by_player.values(), load_catalogue())


def lesson_facts(lesson: Lesson) -> LessonFacts:
    """What a lesson says about causes, without anything else."""
    return LessonFacts(
        focus=tuple(focus_of(lesson)),
        dismissed=frozenset(dismissed_in(lesson)),
        grades={name: finding.grade for name, finding in findings_of(lesson).items()},
        is_harder=lesson.harder_piece,
    )


def counts_for(player: Player) -> dict[str, list[int]]:
    """What a lesson of this player starts from: [confirmed, refuted] by cause; empty while off."""
    settings = getattr(player.teacher, "studio_settings", None)
    if settings is None or not settings.learns:
        return {}
    settled = settled_by(settings, without_player=player.pk)
    return {cause: [count.confirmed, count.refuted] for cause, count in settled.items()}
