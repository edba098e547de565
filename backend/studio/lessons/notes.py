"""What else was done in a lesson: trials and what they showed, words on causes, the own line."""

from collections.abc import Sequence

from lefthand.case.findings import decided_grades
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.said import said
from lefthand.words import beside, told, words_of
from studio.lessons.flags import reason_words
from studio.lessons.history import History, past_of
from studio.memory.known import known_focuses, known_words
from studio.models import Lesson, Observation, RedFlag

TRIAL = "try."


def notes_of(lessons: Sequence[Lesson]) -> dict[int, list[str]]:
    """By lesson id, a short line each; nothing for a lesson without any. `lessons` with their words
    on causes."""
    found: dict[int, list[str]] = {lesson.pk: [] for lesson in lessons}
    evidence = load_catalogue().evidence
    trials = Observation.objects.filter(lesson__in=list(found), evidence__startswith=TRIAL)
    for trial in trials.order_by("position"):
        known = evidence.get(trial.evidence)
        if known is not None:
            grade, _ = decided_grades(trial.entered)
            found[trial.lesson_id].append(told(f"note-trial-{grade}", trial=known.label))
    causes = load_catalogue().causes
    for lesson in lessons:
        for word in known_words(lesson):
            note = said(f"note-{word.word}", cause=causes[word.cause].name)
            why = said("note-why", note=note, why=word.why) if word.why else note
            found[lesson.pk].append(words_of(why))
        if lesson.teacher_line:
            found[lesson.pk].append(f"“{lesson.teacher_line}”")
    return {pk: lines for pk, lines in found.items() if lines}


def last_time(lesson: Lesson) -> list[str]:
    """What else there was since the lesson before this one began: its second focus, its notes, and
    stops that were lifted; a short line each."""
    history = History(lesson, past_of(lesson))
    last = history.past.last_real
    if last is None:
        return []
    causes = load_catalogue().causes
    second = [told("note-second", cause=causes[f.cause].name) for f in known_focuses(last)[1:]]
    stops = [_lifted(flag) for flag in history.flags if _is_between(flag, last, lesson)]
    return [*second, *notes_of([last]).get(last.pk, []), *stops]


def _is_between(flag: RedFlag, last: Lesson, lesson: Lesson) -> bool:
    lifted = flag.lifted_on
    return lifted is not None and not flag.mistaken and last.date <= lifted <= lesson.date


def _lifted(flag: RedFlag) -> str:
    reasons = beside(reason_words(flag))
    return told("note-lifted", why=reasons, day=flag.lifted_on or flag.raised_on, note=flag.note)
