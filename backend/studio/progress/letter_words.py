"""The words of the three letters. No opinion on health in any of them, and no disease is named."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from functools import cached_property

from lefthand.catalogue.catalogue import Catalogue, load_catalogue
from lefthand.catalogue.causes import Cause
from lefthand.change.causes import CauseWord
from lefthand.change.term import Term, TermString
from lefthand.practice.pains import LESS, MORE, SAME
from lefthand.values.vocabulary import Place
from lefthand.values.wording import lower_first, upper_first
from lefthand.words import value_words
from studio.lessons.flags import reason_words
from studio.lessons.notes import notes_of
from studio.memory.body import BodyFact, body_words, facts_of
from studio.memory.findings import age_at, way_of_teaching
from studio.memory.known import known_items, known_words
from studio.memory.pains import place_named
from studio.memory.standing import standing_after
from studio.models import HomeDay, Lesson, Plan, Player, RedFlag

BETTER = (CauseWord.GONE.value, CauseWord.CLEARLY_LESS.value, CauseWord.PROBABLY_LESS.value)
NEWEST_LESSONS = 20
REPORTED = {
    "numbness": "numbness or tingling",
    "radiating": "pain that travels along the arm",
    "curling": "a finger that curls or does what it wants",
    "swelling": "swelling",
    "sudden_weakness": "sudden weakness, dropping things",
    "tired_next_day": "tiredness into the next day",
    "earlier_injury": "an earlier injury or operation of this arm",
    "playing_jump": "much more playing than the week before",
}
TIMES = {
    "playing": "while playing", "rest": "at rest", "night": "at night",
    "next_day": "still the next day",
}  # fmt: skip
GREETING, CLOSING = "Greeting", "Closing"
UNPRINTED = (GREETING, CLOSING)  # as headings; their words are
ADULT_FROM = 18
EARLY_WEEKS = 6
AGAIN_WORDS = {LESS: "less", SAME: "the same", MORE: "more"}


@dataclass(frozen=True)
class About:
    """What a letter is written from. term: None before the first lesson."""

    player: Player
    term: Term | None
    on: date

    @property
    def first(self) -> str:
        return self.player.name.split()[0]

    @cached_property
    def is_adult(self) -> bool:
        """Whether the letter goes to the player; an unknown age is an adult's."""
        year = self.player.birth_year
        return year is None or self.on.year - year > ADULT_FROM

    @property
    def pupil(self) -> str:
        """The player, beside "and I"."""
        return "you" if self.is_adult else self.first

    @cached_property
    def teacher(self) -> str:
        settings = getattr(self.player.teacher, "studio_settings", None)
        return settings.display_name if settings else ""

    @property
    def weeks(self) -> float:
        """Since the first lesson."""
        return (self.on - self.lessons[0].date).days / 7 if self.lessons else 0.0

    @property
    def catalogue(self) -> Catalogue:
        return load_catalogue()

    @cached_property
    def lessons(self) -> list[Lesson]:
        rows = self.player.lessons.filter(date__lte=self.on).prefetch_related(
            "cause_words", "home_days", "results", "plan__items"
        )
        return list(rows.order_by("date"))

    @cached_property
    def flags(self) -> list[RedFlag]:
        return list(self.player.red_flags.filter(mistaken=False).order_by("raised_on"))

    @cached_property
    def is_stopped(self) -> bool:
        return any(flag.lifted_on is None for flag in self.flags)

    @cached_property
    def body(self) -> list[BodyFact]:
        """What is known of the body by now."""
        words = self.player.body_words.filter(on__lte=self.on)
        return facts_of(standing_after(self.player.pk, self.on), words)

    @property
    def strings(self) -> Sequence[TermString]:
        return self.term.strings if self.term else ()

    @cached_property
    def newest_plan(self) -> Plan | None:
        plans = Plan.objects.filter(lesson__player=self.player, lesson__date__lte=self.on)
        return plans.order_by("lesson__date").prefetch_related("items").last()

    def cause(self, string: TermString) -> Cause:
        return self.catalogue.causes[string.cause]


# ------------------------------------------------------------------ a parent


def parent_paragraphs(about: About) -> list[tuple[str, str]]:
    """Kind and concrete: what was worked on, what is better, what comes next, one thing to see."""
    return [
        (GREETING, f"Dear {about.first}," if about.is_adult else f"Dear parents of {about.first},"),
        ("What we worked on", _worked_on(about)),
        ("What is better", _better(about)),
        ("What comes next", _next(about)),
        ("One thing to watch for at home", _watch(about)),
        (
            "If something hurts",
            "Soft and short is better than long and tight. If anything hurts, tingles or goes "
            "numb: please stop, put the instrument down and tell me. A doctor or physiotherapist "
            "is the right person to ask about pain.",
        ),
        (CLOSING, _closing(about)),
    ]


def _closing(about: About) -> str:
    name = f"\n{about.teacher}" if about.teacher else ""
    return f"With kind regards,{name}"


def _worked_on(about: About) -> str:
    left_out = (CauseWord.NOT_SEEN.value, CauseWord.RULED_OUT.value)
    worked = [s for s in about.strings if s.focus and s.word not in left_out]
    if not worked:
        return f"{upper_first(about.pupil)} and I have looked at how the left hand plays."
    lines = []
    for each in worked:
        exercises = list(dict.fromkeys(s.words for s in each.focus if s.words))
        with_what = f" With: {', '.join(exercises)}." if exercises else ""
        lines.append(f"- {about.cause(each).meaning}{with_what}")
    return "\n".join([f"This is what {about.pupil} and I have worked on:", *lines])


def _better(about: About) -> str:
    better = [each for each in about.strings if each.word in BETTER]
    if not better and about.weeks < EARLY_WEEKS:
        return (
            "Hands change slowly, and it is too early to see a clear difference. Practice in "
            "small, soft portions is what brings it."
        )
    if not better:
        return (
            f"After {about.weeks:.0f} weeks there is no difference yet that I could be sure of. I "
            "am looking again at what may be behind it."
        )
    lines = []
    for each in better:
        sure = "" if each.word != CauseWord.PROBABLY_LESS.value else " (as far as one can see)"
        easier = about.cause(each).easier
        told = upper_first(easier) if about.is_adult else _for_other(easier)
        lines.append(f"- {told}{sure}.")
    return "\n".join(lines)


def _for_other(words: str) -> str:
    """What is said to the player, said of the player."""
    told = f" {words}".replace(" your ", " the ").replace(" you play ", " playing goes ")
    told = told.replace(" on you ", " ").strip()
    return upper_first(told)


def _next(about: About) -> str:
    if about.is_stopped:
        return (
            "The exercises are paused for now. Please see a doctor or a physiotherapist first; we "
            "go on, gently, when they say that it is all right."
        )
    now = [each for each in about.strings if each.is_focus and each.word != CauseWord.GONE.value]
    if not now:
        return (
            "We keep what has been won, look at it again from time to time, and go on with music."
        )
    cause = about.cause(now[0])
    go_on = f"We go on with this: {lower_first(cause.meaning)}"
    worked = _weeks_of_work(now[0], about)
    if now[0].word in BETTER:
        return f"{go_on} It is less than it was, so we go on until it is there unasked."
    if cause.weeks is not None and worked > cause.weeks[1]:
        return (
            f"{go_on} It usually takes {cause.takes}; we have worked on it for {worked:.0f} weeks, "
            "so I look again at what may be behind it."
        )
    return f"{go_on} It usually takes {cause.takes}."


def _weeks_of_work(string: TermString, about: About) -> float:
    """Since it became the focus for the last time."""
    if not string.focus or about.term is None:
        return 0.0
    return (about.on - about.term.date_of(string.focus[-1].start)).days / 7


def _watch(about: About) -> str:
    plan = about.newest_plan
    items = known_items(plan) if plan and not about.is_stopped else []
    if not items:
        return "That there is a short break before the hand gets tired."
    exercise = about.catalogue.exercises[items[0].exercise]
    return f"{exercise.name}: {lower_first(exercise.mirror)} When you see this, it goes well."


# ------------------------------------------------------------------ a colleague


def colleague_paragraphs(about: About) -> list[tuple[str, str]]:
    """Numbers, reasons, what was tried, what to avoid."""
    return [
        (GREETING, "Dear colleague,"),
        ("The player", _who(about)),
        ("Where it stands", _standing(about)),
        ("What it is told from", _reasons(about)),
        ("What was tried", _tried(about)),
        ("Trials, own words and choices", _notes(about)),
        ("What to avoid", _avoid(about)),
        ("What I would do next", about.term.next.why if about.term else ""),
        (CLOSING, _closing(about)),
    ]


def _who(about: About) -> str:
    player = about.player
    lessons = about.lessons
    age = age_at(player, lessons[-1]) if lessons else None
    told = [
        dict(player._meta.get_field("instrument").flatchoices)[player.instrument],
        player.level,
        *([f"about {age} years"] if age is not None else []),
        f"plays about {player.hours_a_day:g} hours a day",
        *([f"now: {player.piece}"] if player.piece else []),
    ]
    ways = way_of_teaching(player)
    known = about.catalogue.ways
    chosen = [
        f"- {known[key].label}: {known[key].words[value]}"
        for key, value in ways.items()
        if value != known[key].default
        and player.instrument in {i.value for i in known[key].instruments}
    ]
    chosen += [f"- {_fact_words(fact)}" for fact in about.body]
    count = f"{len(lessons)} lessons" if len(lessons) != 1 else "one lesson"
    head = f"{upper_first(', '.join(told))}. {count} so far."
    return "\n".join([head, *chosen])


def _fact_words(fact: BodyFact) -> str:
    limits = f"; allowed: {fact.limits}" if fact.limits else ""
    return f"{body_words(fact)}, {fact.on:%-d %B %Y}{limits}"


def _standing(about: About) -> str:
    lines = [
        f"- {each.name}: {each.answer} ({round(100 * each.probability[-1])} % likely to be there "
        "now, by all lessons)"
        for each in about.strings
    ]
    return "\n".join(lines) or "Nothing was likely so far."


def _reasons(about: About) -> str:
    lines = []
    for each in about.strings:
        seen = [why for why in each.why if why]
        if seen:
            lines.append(f"- {each.name}, at the last look: {lower_first(seen[-1])}")
    for measure in about.term.measures if about.term else ():
        first, last = measure.points[0][1], measure.points[-1][1]
        least = f"; a change counts from {measure.least:.1f}" if measure.least is not None else ""
        lines.append(
            f"- {measure.label}: {first:g} to {last:g} {measure.unit}, {measure.answer}{least}"
        )
    return "\n".join(lines)


def _tried(about: About) -> str:
    rungs: dict[str, int] = {}
    for lesson in about.lessons:
        for item in known_items(lesson.plan) if hasattr(lesson, "plan") else []:
            rungs[item.exercise] = max(item.rung, rungs.get(item.exercise, 0))
    helped = {name for each in about.strings for name in each.helped}
    lines = []
    for name, rung in rungs.items():
        exercise = about.catalogue.exercises[name]
        after = "; less trouble after it" if exercise.name in helped else ""
        lines.append(f"- {exercise.name}, up to step {rung} of {len(exercise.rungs)}{after}")
    return "\n".join(lines) or "No exercise was given yet."


def _notes(about: About) -> str:
    late = about.lessons[-NEWEST_LESSONS:]
    notes = notes_of(late)
    return "\n".join(
        f"- {lesson.date:%-d %B %Y}: {'; '.join(notes[lesson.pk])}"
        for lesson in late
        if lesson.pk in notes
    )


def _avoid(about: About) -> str:
    lines = []
    for flag in about.flags:
        until = (
            f"lifted {flag.lifted_on:%-d %B %Y}: “{flag.note}”" if flag.lifted_on else "still up"
        )
        lines.append(
            f"- Stopped on {flag.raised_on:%-d %B %Y} ({'; '.join(reason_words(flag))}), {until}"
        )
    if any(each.cause == "joint_laxity" for each in about.strings):
        lines.append("- Loose joints: no stretching, no pushing into place by anybody’s hand.")
    if any(each.cause == "thumb_index_grip" and each.is_focus for each in about.strings):
        lines.append("- Strength exercises, until the thumb lets go.")
    for name in about.player.disliked:
        if name in about.catalogue.exercises:
            lines.append(f"- {about.catalogue.exercises[name].name}: not liked")
    dismissed = {
        word.cause: lesson.date
        for lesson in about.lessons
        for word in known_words(lesson)
        if word.word == "dismissed"
    }
    for cause, day in dismissed.items():
        lines.append(f"- {about.catalogue.causes[cause].name}: ruled out on {day:%-d %B %Y}")
    return "\n".join(lines)


# ------------------------------------------------------------------ a doctor or physiotherapist


def doctor_paragraphs(about: About) -> list[tuple[str, str]]:
    """What was reported and when, hours of playing, what was stopped; nothing else."""
    instrument = dict(about.player._meta.get_field("instrument").flatchoices)
    return [
        (GREETING, "Dear doctor, dear physiotherapist,"),
        (
            "About this letter",
            "I teach a stringed instrument. This is a record of what was told in lessons and in "
            "practice logs at home. It is no medical opinion.",
        ),
        (
            "Playing",
            f"{about.first} plays the {instrument[about.player.instrument]}, about "
            f"{about.player.hours_a_day:g} hours a day.",
        ),
        ("What was reported", _reported(about)),
        ("What was stopped", _stopped(about)),
        (
            "What I would like to know",
            "May the hand practise, how much, and what should it leave out for now?",
        ),
        (CLOSING, _closing(about)),
    ]


def _reported(about: About) -> str:
    lines: list[tuple[date, str]] = [
        (fact.limits_on, f"allowed after an earlier injury: {fact.limits}")
        for fact in about.body
        if fact.limits_on is not None
    ]
    for lesson in about.lessons:
        told = _of_reports(lesson)
        if told:
            lines.append((lesson.date, f"in the lesson: {told}"))
        for log in lesson.home_days.all():
            told = _of_log(log)
            if told:
                lines.append((log.date, f"at home: {told}"))
    return "\n".join(f"- {day:%-d %B %Y}, {words}" for day, words in sorted(lines)) or (
        "No pain and none of the other signs were reported."
    )


def _of_reports(lesson: Lesson) -> str:
    reports = lesson.reports
    told = []
    if reports.get("pain"):
        where = _where(reports.get("place"))
        when = [TIMES[time] for time in reports.get("pain_when", []) if time in TIMES]
        told.append(f"pain {reports['pain']:g} of 10{where}{', ' if when else ''}{', '.join(when)}")
    hurt = max((result.pain or 0 for result in lesson.results.all()), default=0)
    if hurt > 0:
        told.append(f"pain {hurt:g} of 10 in an exercise that was shown")
    told += [
        f"pain{_where(key)}, {AGAIN_WORDS[answer]} as last time"
        if answer == SAME
        else f"pain{_where(key)}, {AGAIN_WORDS[answer]} than last time"
        for key, answer in lesson.again.items()
        if key in set(Place) and answer in AGAIN_WORDS
    ]
    told += [words for name, words in REPORTED.items() if reports.get(name)]
    complaints = load_catalogue().complaints.values()
    told += [f"“{c.says}”" for c in complaints if c.hurts and c.evidence == lesson.complaint]
    return "; ".join(told)


def _where(name: str | None) -> str:
    place = place_named(name)
    return "" if place is Place.SOMEWHERE else f" in {value_words(place)}"


def _of_log(log: HomeDay) -> str:
    told = [f"pain {log.pain} of 10{_where(log.place)}"] if log.pain else []
    told += [REPORTED[sign] for sign in log.signs if sign in REPORTED]
    told += [TIMES[time] for time in log.later or [] if time in TIMES]
    return "; ".join(told)


def _stopped(about: About) -> str:
    lines = []
    for flag in about.flags:
        end = f"until {flag.lifted_on:%-d %B %Y}" if flag.lifted_on else "and they still are"
        why = "; ".join(reason_words(flag))
        lines.append(f"- From {flag.raised_on:%-d %B %Y} the exercises were paused ({why}), {end}.")
    return "\n".join(lines) or "Nothing was stopped."
