"""What a letter is written from, and what its readers have in common."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from functools import cached_property

from lefthand.catalogue.catalogue import Catalogue, load_catalogue
from lefthand.catalogue.causes import Cause
from lefthand.change.causes import CauseWord
from lefthand.change.term import Term, TermString
from lefthand.values.said import Value
from lefthand.words import told
from studio.memory.body import BodyFact, facts_of
from studio.memory.standing import standing_after
from studio.models import Lesson, Plan, Player, RedFlag

BETTER = (CauseWord.GONE.value, CauseWord.CLEARLY_LESS.value, CauseWord.PROBABLY_LESS.value)
ADULT_FROM = 18


@dataclass(frozen=True)
class Paragraph:
    """`text`: lines are parted by newlines; one that begins with "- " is an item of a list."""

    heading: str
    text: str


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

    @property
    def instrument(self) -> str:
        return self.player.get_instrument_display()

    def cause(self, string: TermString) -> Cause:
        return self.catalogue.causes[string.cause]


def listed(lines: Iterable[str]) -> str:
    return "\n".join(f"- {line}" for line in lines)


def greeting(message: str, /, **values: Value) -> Paragraph:
    return Paragraph(told("letter-greeting"), told(message, **values))


def closing(about: About) -> Paragraph:
    lines = [told("letter-regards"), *([about.teacher] if about.teacher else [])]
    return Paragraph(told("letter-closing"), "\n".join(lines))


def unprinted() -> tuple[str, str]:
    """Headings for whoever edits a letter; their words stand without them on paper."""
    return told("letter-greeting"), told("letter-closing")
