"""What belongs to a player's body: found in lessons, and held until looked at again or lifted."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date

from lefthand.practice.standing import HELD_SIGNS, Seen, Standing
from lefthand.reason.diagnosis import BODY_SIGNS
from lefthand.values.said import said
from lefthand.words.words import words_of
from studio.errors import StudioError
from studio.memory.standing import forget_summaries
from studio.models import BodyWord, Player

INJURY = "injury"
LIFTED, LIMITS = "lifted", "limits"
FACTS = (*BODY_SIGNS, INJURY)
LETTERS_OF_A_NOTE = 10
MAX_NOTE = 300


@dataclass(frozen=True)
class BodyFact:
    """A fact of the body that holds. `fact`: a check, or "injury". `on`: when it was found last.
    `grade`: 0..3 as it was graded then, None for an injury. `limits`: what a clinician allows, in
    words, with the day on which that was noted."""

    fact: str
    on: date
    grade: int | None = None
    limits: str = ""
    limits_on: date | None = None


def facts_of(standing: Standing, words: Iterable[BodyWord]) -> list[BodyFact]:
    """What is known of the body before a lesson; what a note has lifted since is left out."""
    told = list(words)
    found = [
        BodyFact(name, seen.on, seen.grade)
        for name, seen in held_signs(standing, told).items()
        if name in BODY_SIGNS
    ]
    if standing.injury_on is not None and not _is_lifted(INJURY, standing.injury_on, told):
        limits = _newest(INJURY, LIMITS, told)
        note = (limits.note, limits.on) if limits else ("", None)
        found.append(BodyFact(INJURY, standing.injury_on, None, *note))
    return found


def body_words(fact: BodyFact) -> str:
    """The fact in a few words, without its date."""
    if fact.fact == INJURY:
        return words_of(said("body-injury"))
    message = "body-loose" if fact.fact == BODY_SIGNS[0] else "body-loose-all-over"
    return words_of(said(message, how=said(f"grade-{fact.grade or 0}")))


def held_signs(standing: Standing, words: Iterable[BodyWord]) -> Mapping[str, Seen]:
    """Signs of the body and of the hold as they were seen last, without what was lifted since."""
    told = list(words)
    return {
        name: seen
        for name, seen in standing.body.items()
        if name in HELD_SIGNS and not _is_lifted(name, seen.on, told)
    }


def _is_lifted(fact: str, found_on: date, words: Iterable[BodyWord]) -> bool:
    lifted = _newest(fact, LIFTED, words)
    return lifted is not None and lifted.on >= found_on


def _newest(fact: str, word: str, words: Iterable[BodyWord]) -> BodyWord | None:
    known = [each for each in words if each.fact == fact and each.word == word]
    return known[-1] if known else None


def note_on_body(player: Player, *, fact: str, word: str, note: str, on: date) -> BodyWord:
    """Lift a fact of the body, or note what a clinician allows, with a real sentence. Raises
    StudioError."""
    if fact not in FACTS:
        raise StudioError("bad_input", "fact", f"expected one of {', '.join(FACTS)}")
    if word not in (LIFTED, LIMITS) or (word == LIMITS and fact != INJURY):
        raise StudioError("bad_input", "word", "an injury has limits; all else is lifted")
    words = " ".join(note.split())
    if sum(c.isalpha() for c in words) < LETTERS_OF_A_NOTE:
        raise StudioError("bad_input", "note", "say in a sentence what is known, and from whom")
    if len(words) > MAX_NOTE:
        raise StudioError("bad_input", "note", f"expected at most {MAX_NOTE} characters")
    found = BodyWord.objects.create(player=player, fact=fact, word=word, on=on, note=words)
    forget_summaries([player.pk])
    return found
