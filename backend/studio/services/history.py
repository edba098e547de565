"""What happened to a player before a lesson, as far as the lesson asks for it."""

from dataclasses import dataclass
from functools import cached_property

from django.db.models import QuerySet

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.record import LessonRecord
from lefthand.practice.standing import Standing, kept_now
from studio.models import Lesson, Plan, PlanItem, RedFlag, Setup
from studio.services.keep_alive import Reminder, due_or_back
from studio.services.known import known_items
from studio.services.records import Records
from studio.services.standing import flags_of, standing_before


@dataclass(frozen=True)
class History:
    lesson: Lesson

    @cached_property
    def flags(self) -> list[RedFlag]:
        """All stops of the player, lifted ones too, newest first."""
        return flags_of(self.lesson.player_id)

    @cached_property
    def setups(self) -> list[Setup]:
        """How the instrument was fitted, oldest first."""
        return list(Setup.objects.filter(player=self.lesson.player_id))

    @cached_property
    def standing(self) -> Standing:
        """What all lessons before this one have led to."""
        return standing_before(self.lesson.player_id, self.lesson.date)

    @cached_property
    def record(self) -> LessonRecord:
        """This lesson as the rules over many lessons read it."""
        records = Records(self.lesson.player_id, self.flags, since=self.standing.week_on)
        return records.of(self.lesson, self.standing)

    @cached_property
    def reminders(self) -> list[Reminder]:
        """Causes to look at again in this lesson, and causes that are back."""
        kept = kept_now(self.standing, self.record, load_catalogue())
        return due_or_back(kept, self.lesson.date, harder=self.lesson.harder_piece)

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
        earlier = Lesson.objects.filter(
            player=self.lesson.player_id, date__lt=self.lesson.date, is_glance=False
        )
        whose = earlier.select_related("player__teacher__studio_settings")
        return whose.prefetch_related("observations").order_by("-date")

    @cached_property
    def last_items(self) -> list[PlanItem]:
        """The exercises of the newest week before this lesson."""
        if self.standing.week_on is None:
            return []
        plans = Plan.objects.filter(
            lesson__player=self.lesson.player_id, lesson__date=self.standing.week_on
        )
        return [item for plan in plans.prefetch_related("items") for item in known_items(plan)]
