"""What else was done in a lesson: trials and what they showed, words on causes, the own line."""

from collections.abc import Sequence

from lefthand.case.findings import decided_grades
from lefthand.catalogue.catalogue import load_catalogue
from studio.lessons.flags import reason_words
from studio.lessons.history import History, past_of
from studio.memory.known import known_focuses, known_words
from studio.models import Lesson, Observation, RedFlag

TRIAL = "try."
SHOWED = ("no help", "helped a little", "helped clearly", "helped at once")
WORDS = {"pinned": "your choice", "dismissed": "ruled out", "open": "maybe after all"}


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
            found[trial.lesson_id].append(f"{known.label}: {SHOWED[grade]}")
    causes = load_catalogue().causes
    for lesson in lessons:
        for word in known_words(lesson):
            why = f" ({word.why})" if word.why else ""
            found[lesson.pk].append(f"{causes[word.cause].name}: {WORDS[word.word]}{why}")
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
    second = [f"second focus: {causes[f.cause].name}" for f in known_focuses(last)[1:]]
    stops = [_lifted(flag) for flag in history.flags if _is_between(flag, last, lesson)]
    return [*second, *notes_of([last]).get(last.pk, []), *stops]


def _is_between(flag: RedFlag, last: Lesson, lesson: Lesson) -> bool:
    lifted = flag.lifted_on
    return lifted is not None and not flag.mistaken and last.date <= lifted <= lesson.date


def _lifted(flag: RedFlag) -> str:
    reasons = ", ".join(reason_words(flag))
    return f"stop ({reasons}), lifted by you on {flag.lifted_on:%-d %B}: “{flag.note}”"
