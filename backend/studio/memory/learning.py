"""What a teacher's own lessons have settled about causes, counted from the records."""

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.learning import Count, LessonFacts, Verdict, count_verdicts, verdicts
from studio.keeping.spare import write_if_free
from studio.memory.records import lesson_facts
from studio.memory.standing import changes_of
from studio.memory.summary import keep, kept_of
from studio.models import Lesson, Player, Summary, TeacherSettings


def settled_by(settings: TeacherSettings, without_player: int | None = None) -> dict[str, Count]:
    """Counts over the teacher's players, one player perhaps left out so that nobody counts for
    their own diagnosis."""
    players = Player.objects.filter(teacher=settings.teacher_id)
    if without_player is not None:
        players = players.exclude(pk=without_player)
    ids = set(players.values_list("pk", flat=True))
    kept = {
        row.player_id: {cause: Verdict(word) for cause, word in (row.verdicts or {}).items()}
        for row in kept_of(ids).filter(after=settings.learns_after, verdicts__isnull=False)
    }
    return count_verdicts([*kept.values(), *_settle(ids - set(kept), settings).values()])


def _settle(players: set[int], settings: TeacherSettings) -> dict[int, dict[str, Verdict]]:
    """What is settled for players for whom it is not kept, and keep it."""
    if not players:
        return {}
    lessons = (
        Lesson.objects.filter(player__in=players)
        .select_related("player__teacher__studio_settings")
        .prefetch_related("observations", "focuses", "cause_words")
        .order_by("player_id", "date", "pk")
    )
    if settings.learns_after:
        lessons = lessons.filter(date__gt=settings.learns_after)
    known = changes_of(players)
    by_player: dict[int, list[LessonFacts]] = {player: [] for player in players}
    for lesson in lessons:
        by_player[lesson.player_id].append(lesson_facts(lesson))
    found = {player: verdicts(facts, load_catalogue()) for player, facts in by_player.items()}
    rows = [
        Summary(player_id=player, after=settings.learns_after, verdicts=settled)
        for player, settled in found.items()
    ]
    write_if_free(lambda: keep(rows, ["after", "verdicts"], known))
    return found


def counts_for(player: Player) -> dict[str, list[int]]:
    """What a lesson of this player starts from: [confirmed, refuted] by cause; empty while off."""
    settings = getattr(player.teacher, "studio_settings", None)
    if settings is None or not settings.learns:
        return {}
    settled = settled_by(settings, without_player=player.pk)
    return {cause: [count.confirmed, count.refuted] for cause, count in settled.items()}
