"""What has changed over all lessons of a player, told once and kept until something changes."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date

from pydantic import TypeAdapter, ValidationError

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.change.causes import CauseWord
from lefthand.change.change import Change, change_of
from lefthand.change.helped import Helped
from lefthand.change.next_step import Step
from lefthand.change.term import Term, TermSign, term_of, term_signs, up_to
from lefthand.reason.learning import Count
from lefthand.reason.safety import Safety, SafetyLevel
from lefthand.words.words import words_of
from studio.keeping.spare import write_if_free
from studio.lessons.flags import open_flags, stops_said
from studio.memory.standing import changes_of
from studio.memory.summary import keep, kept_of
from studio.models import Lesson, Player, Summary
from studio.progress.course import PlayersCourse, course_of

FREE_FOR_HARDER = 2  # lessons running with hardly any trouble


@dataclass(frozen=True)
class TermLine:
    """What lists over players say of a term. `ready`: the hand has been free for some lessons.
    `helped`: what went before a change, for the studio's shares."""

    step: Step
    why: str
    ready: bool
    helped: Sequence[Helped]


@dataclass(frozen=True)
class KeptTerm:
    """`lessons`: ids of the lessons of the term, in its order. `signs`: all that were ever seen,
    as hand and by finger."""

    term: Term | None
    lessons: Sequence[int]
    signs: Sequence[TermSign]
    line: TermLine


SHAPE = TypeAdapter(KeptTerm)
LINE = TypeAdapter(TermLine)


def term_page(player: Player, on: date) -> KeptTerm:
    """What has changed for a player, from all lessons up to a day."""
    row = kept_of([player.pk]).filter(term__isnull=False, term_of__lte=on).first()
    if row is not None:
        try:
            return _on(SHAPE.validate_python(row.term), on)
        except ValidationError:
            pass
    known = changes_of([player.pk])
    fresh = told_term(player, on)
    write_if_free(lambda: _keep(player, fresh, on, known))
    return _on(fresh, on)


def _on(kept: KeptTerm, day: date) -> KeptTerm:
    """As it is shown on a day."""
    return replace(kept, term=up_to(kept.term, day)) if kept.term else kept


def better_words(player: Player, on: date) -> list[str]:
    """What is less trouble than before, said to the player; nothing that is not clear."""
    term = term_page(player, on).term
    causes = load_catalogue().causes
    clear = (CauseWord.GONE.value, CauseWord.CLEARLY_LESS.value)
    strings = [each for each in (term.strings if term else ()) if each.word in clear]
    return [causes[each.cause].easier for each in strings if each.cause in causes]


def told_term(player: Player, on: date) -> KeptTerm:
    """The same, told anew."""
    found = course_of(player, on)
    change = players_change(player, found)
    term = term_of(change, load_catalogue(), found.facts)
    lessons = [lesson.pk for lesson in found.lessons]
    return KeptTerm(term, lessons, term_signs(change.signs), _line(change))


def players_change(player: Player, found: PlayersCourse) -> Change:
    """What the core says of a course, with the stops that are up and what the teacher's own lessons
    have settled."""
    counts = found.lessons[-1].starting_counts if found.lessons else {}
    stops = stops_said(open_flags(player))
    return change_of(
        found.course,
        load_catalogue(),
        counts={cause: Count(*told) for cause, told in counts.items()},
        safety=Safety(SafetyLevel.RED, stops) if stops else None,
    )


def _line(change: Change) -> TermLine:
    return TermLine(
        step=change.next.step,
        why=words_of(change.next.why),
        ready=_is_ready(change),
        helped=list(change.helped),
    )


def _is_ready(change: Change) -> bool:
    """No cause that was ever likely has shown in the last lessons, and there was one."""
    if not change.causes or len(change.course.lessons) <= FREE_FOR_HARDER:
        return False
    late = slice(-FREE_FOR_HARDER, None)
    free = all(max(cause.probability[late]) < 0.25 for cause in change.causes)
    looked = any(any(cause.looked[late]) for cause in change.causes)
    return free and looked and not change.course.lessons[-1].is_harder


def _keep(player: Player, fresh: KeptTerm, on: date, known: dict[int, int]) -> None:
    """Keep it, unless there is a later lesson than the day it was asked for."""
    if Lesson.objects.filter(player=player, date__gt=on).exists():
        return
    row = Summary(
        player=player,
        term=SHAPE.dump_python(fresh, mode="json"),
        line=LINE.dump_python(fresh.line, mode="json"),
        term_of=on,
    )
    keep([row], ["term", "line", "term_of"], known)


def lines_of(players: Sequence[Player], on: date, *, most_told: int) -> dict[int, TermLine]:
    """The lines of players, by id. At most so many are told anew, the others stay out until their
    page or lesson is opened."""
    found: dict[int, TermLine] = {}
    rows = kept_of([player.pk for player in players]).filter(line__isnull=False, term_of__lte=on)
    for player_id, raw in rows.values_list("player", "line"):
        try:
            found[player_id] = LINE.validate_python(raw)
        except ValidationError:
            continue
    missing = [player for player in players if player.pk not in found]
    for player in missing[:most_told]:
        found[player.pk] = term_page(player, on).line
    return found
