"""The week that a lesson gave, and what came of it at home."""

from enum import StrEnum

from django.db import models

from lefthand.values.vocabulary import Done, Felt, HurtSaid, KeptInMind
from studio.models.lessons import Lesson
from studio.models.people import Player
from studio.models.pieces import Piece

LEAST_PAIN = 1.0


def _choices(words: type[StrEnum]) -> list[tuple[str, str]]:
    return [(word.value, word.value) for word in words if word.value]


HURT = models.Q(pain__gt=0) | models.Q(hurt="open")  # of a day at home


class Plan(models.Model):
    """The week that was given. `focus`: the causes that it was made for; None where that was not
    written down yet. `is_eased`: it was given while easing off."""

    lesson = models.OneToOneField(Lesson, on_delete=models.CASCADE, related_name="plan")
    focus = models.JSONField(null=True, blank=True)
    is_eased = models.BooleanField(default=False)

    def __str__(self) -> str:
        return f"plan of {self.lesson}"


class PlanItem(models.Model):
    """One exercise of a plan, with its dose as numbers.

    `tempo`: where it begins, `goal`: where it leads, beats a minute. `piece`: of the player's own,
    in which it is played; `in_piece`: {"title", "first", "last": places of the bars, "from", "to":
    their printed numbers}. `spot`: where on the neck it is played, {"string": 1 the highest,
    "position"}; None for what the step says.
    """

    plan = models.ForeignKey(Plan, on_delete=models.CASCADE, related_name="items")
    order = models.PositiveSmallIntegerField()
    exercise = models.CharField(max_length=40)
    rung = models.PositiveSmallIntegerField()
    reps = models.PositiveSmallIntegerField()
    sets = models.PositiveSmallIntegerField()
    seconds = models.FloatField()
    tempo = models.PositiveSmallIntegerField(null=True, blank=True)
    goal = models.PositiveSmallIntegerField(null=True, blank=True)
    days = models.JSONField(default=list)
    fingers = models.JSONField(default=list, blank=True)
    why = models.TextField(blank=True)
    piece = models.ForeignKey(Piece, on_delete=models.SET_NULL, null=True, blank=True)
    in_piece = models.JSONField(null=True, blank=True)
    spot = models.JSONField(null=True, blank=True)

    class Meta:
        ordering = ["order"]
        constraints = [
            models.UniqueConstraint(fields=["plan", "exercise"], name="one_exercise_a_plan")
        ]

    def __str__(self) -> str:
        return self.exercise


class PracticeResult(models.Model):
    """How an item went: on a day at home, or shown in the next lesson (`lesson` is set)."""

    item = models.ForeignKey(PlanItem, on_delete=models.CASCADE, related_name="results")
    lesson = models.ForeignKey(
        Lesson, on_delete=models.CASCADE, related_name="results", null=True, blank=True
    )
    date = models.DateField()
    passed = models.BooleanField()
    pain = models.FloatField(null=True, blank=True)
    tighter = models.BooleanField(default=False)

    class Meta:
        ordering = ["date", "pk"]
        constraints = [
            models.UniqueConstraint(
                fields=["item", "lesson"],
                name="one_result_a_lesson",
                condition=models.Q(lesson__isnull=False),
            )
        ]

    def __str__(self) -> str:
        return f"{self.item}: {'passed' if self.passed else 'not yet'}"


class HomeLink(models.Model):
    """The private address of a player's week in force. Whoever has it sees first name, plan and
    music."""

    player = models.OneToOneField(Player, on_delete=models.CASCADE, related_name="home_link")
    token = models.CharField(max_length=43, unique=True)
    revoked = models.BooleanField(default=False)

    def __str__(self) -> str:
        return f"link of {self.player}"


class HomeDay(models.Model):
    """How a practice day went, as it was logged at home. A later log of the day replaces it.

    `parts`: the exercises of which it was where it was not all of them; None where that was not
    said.

    `place`: where it hurt, "" where that was not said. `later`: what was answered the next day
    about pain of this day, a list of PAIN_TIMES; None while nobody was asked. `tempos`: by
    exercise, {"highest": beats a minute or None, "plays": number, "slow": of them below the goal}.
    `checks`: what the player found on the own hand "before" and "after" practice, as lists of what
    was as it should be; beside the lesson's grades, never mixed with them. `one_thing`: how much of
    the week's one thing was there, "" where that was not said. `hurt`: "open" where somebody
    touched that it hurts and said no more, "nothing" where it was then said to be nothing, else "".
    """

    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="home_days")
    date = models.DateField()
    done = models.CharField(max_length=6, choices=_choices(Done))
    parts = models.JSONField(null=True, blank=True)
    felt = models.CharField(max_length=6, choices=_choices(Felt), blank=True)
    pain = models.PositiveSmallIntegerField(default=0)
    place = models.CharField(max_length=12, blank=True)
    signs = models.JSONField(default=list, blank=True)
    later = models.JSONField(null=True, blank=True)
    tempos = models.JSONField(default=dict, blank=True)
    checks = models.JSONField(default=dict, blank=True)
    one_thing = models.CharField(max_length=6, choices=_choices(KeptInMind), blank=True)
    hurt = models.CharField(max_length=7, choices=_choices(HurtSaid), blank=True)

    class Meta:
        ordering = ["date"]
        constraints = [models.UniqueConstraint(fields=["lesson", "date"], name="one_log_a_day")]

    def __str__(self) -> str:
        return f"{self.date}: {self.done}"

    @property
    def felt_pain(self) -> float:
        """0..10; the least where it hurt and nobody said how much."""
        return max(self.pain, LEAST_PAIN if self.hurt == "open" else 0.0)
