"""What happened to a player before a lesson, as far as the lesson asks for it."""

from dataclasses import dataclass
from datetime import date
from functools import cached_property

from django.db.models import QuerySet

from lefthand.case.case import Apart
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.on_neck import Spot
from lefthand.practice.pains import Ache
from lefthand.practice.record import LessonRecord
from lefthand.practice.standing import Standing, apart_now, kept_now
from lefthand.values.vocabulary import Place
from studio.lessons.flags import home_pain
from studio.memory.body import BodyFact, facts_of
from studio.memory.keep_alive import Reminder, due_or_back
from studio.memory.known import known_items
from studio.memory.pains import aches_before_answers
from studio.memory.records import Records
from studio.memory.spots import spots_before
from studio.memory.standing import flags_of, standing_before
from studio.models import BodyWord, HomeDay, Lesson, Plan, PlanItem, RedFlag, Setup


@dataclass(frozen=True)
class Past:
    """The time before a day. Nothing that is entered on that day changes it but stops and judged
    changes of fit (`forget`), so that it is read once for all entries of a lesson."""

    player_id: int
    day: date
    known: Standing | None = None  # where that was told before

    @cached_property
    def standing(self) -> Standing:
        """What all lessons before the day have led to."""
        return self.known or standing_before(self.player_id, self.day)

    @cached_property
    def records(self) -> Records:
        before = self.standing
        return Records(self.player_id, since=before.week_on, newest=before.newest)

    @cached_property
    def flags(self) -> list[RedFlag]:
        """All stops of the player, lifted ones too, newest first."""
        return flags_of(self.player_id)

    @cached_property
    def setups(self) -> list[Setup]:
        """How the instrument was fitted, oldest first."""
        return list(Setup.objects.filter(player=self.player_id))

    @cached_property
    def body_words(self) -> list[BodyWord]:
        """Notes on what is known of the body, oldest first."""
        return list(BodyWord.objects.filter(player=self.player_id, on__lte=self.day))

    @cached_property
    def spots(self) -> dict[str, list[Spot | None]]:
        """Where on the neck exercises lay that were ever moved; see `spots_before`."""
        return spots_before(self.player_id, self.day)

    def forget(self, name: str) -> None:
        """Read these rows anew when they are next asked for."""
        self.__dict__.pop(name, None)

    @cached_property
    def home_pain(self) -> HomeDay | None:
        """The newest log of the last week in which something hurt."""
        return home_pain(self.player_id, self.day)

    @cached_property
    def last_real(self) -> Lesson | None:
        """The newest earlier lesson that was more than a look over a class."""
        return self._earlier.first()

    @cached_property
    def last_looked(self) -> Lesson | None:
        """The newest of these in which something was looked at."""
        last = self.last_real
        if last is None or last.observations.all():
            return last
        return self._earlier.filter(observations__isnull=False).first()

    @property
    def _earlier(self) -> QuerySet[Lesson]:
        earlier = Lesson.objects.filter(player=self.player_id, date__lt=self.day, is_glance=False)
        whose = earlier.select_related("player__teacher__studio_settings")
        return whose.prefetch_related("observations").order_by("-date")

    @cached_property
    def last_items(self) -> list[PlanItem]:
        """The exercises of the newest week before the day."""
        if self.standing.week_on is None:
            return []
        plans = Plan.objects.filter(
            lesson__player=self.player_id, lesson__date=self.standing.week_on
        )
        plans = plans.select_related("lesson__player").prefetch_related("items")
        return [item for plan in plans for item in known_items(plan)]


def past_of(lesson: Lesson) -> Past:
    return Past(lesson.player_id, lesson.date)


@dataclass(frozen=True)
class History:
    """The past of a lesson, and what the lesson itself adds to it."""

    lesson: Lesson
    past: Past

    @property
    def flags(self) -> list[RedFlag]:
        """All stops of the player, lifted ones too, newest first."""
        return self.past.flags

    @property
    def setups(self) -> list[Setup]:
        """How the instrument was fitted, oldest first."""
        return self.past.setups

    @property
    def standing(self) -> Standing:
        """What all lessons before this one have led to."""
        return self.past.standing

    @cached_property
    def record(self) -> LessonRecord:
        """This lesson as the rules over many lessons read it."""
        return self.past.records.of(self.lesson, self.standing, self.flags)

    @cached_property
    def aches_before(self) -> dict[Place, Ache]:
        """Where it hurt before this lesson's own answers."""
        home = self.past.records.home_pains(self.lesson, self.standing)
        return aches_before_answers(self.standing, home, self.record.lifted)

    @cached_property
    def apart(self) -> tuple[dict[str, Apart], dict[str, int]]:
        """Exercises that stay out, and those that hurt with the rung on which they come back."""
        return apart_now(self.standing, self.record, load_catalogue())

    @cached_property
    def body(self) -> list[BodyFact]:
        """What is known of the body from earlier lessons."""
        return facts_of(self.standing, self.past.body_words)

    @cached_property
    def reminders(self) -> list[Reminder]:
        """Causes to look at again in this lesson, and causes that are back."""
        kept = kept_now(self.standing, self.record, load_catalogue())
        return due_or_back(kept, self.lesson.date, harder=self.lesson.harder_piece)
