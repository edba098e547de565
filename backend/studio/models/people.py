"""A teacher's settings, groups and players."""

from django.conf import settings
from django.db import models

from lefthand.values.vocabulary import Instrument

INSTRUMENTS = [(each.value, each.words) for each in Instrument]
# Skin tones of the drawn hand, light to dark; unpainted until the teacher chooses.
HAND_TONES = [(tone, tone) for tone in ("outline", "one", "two", "three", "four", "five")]
LEVELS = [("beginner", "beginner"), ("intermediate", "intermediate"), ("advanced", "advanced")]


class TeacherSettings(models.Model):
    """What a teacher set once for all players.

    `learns`: own lessons shift the starting probabilities of causes; only lessons after
    `learns_after` count. `shows_helped`: the desk tells what went before a change. `time_zone`: in
    which the teacher's days begin; "" for this computer's. `letter_keys`: single keys act while
    nothing is being typed. `hand_tone`: in which the hand is drawn; 'outline' leaves its skin
    unpainted. `kept_months`: how long after the last lesson pictures and sounds are kept.
    """

    teacher = models.OneToOneField(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="studio_settings"
    )
    display_name = models.CharField(max_length=80, blank=True)
    way_of_teaching = models.JSONField(default=dict, blank=True)
    thresholds = models.JSONField(default=dict, blank=True)
    learns = models.BooleanField(default=False)
    learns_after = models.DateField(null=True, blank=True)
    shows_helped = models.BooleanField(default=True)
    time_zone = models.CharField(max_length=60, blank=True)
    letter_keys = models.BooleanField(default=True)
    kept_months = models.PositiveSmallIntegerField(default=3)
    hand_tone = models.CharField(max_length=10, choices=HAND_TONES, default="outline")

    def __str__(self) -> str:
        return self.display_name or str(self.teacher)


class Group(models.Model):
    """Players taught together. `checks` are those of the present sweep."""

    teacher = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="player_groups"
    )
    name = models.CharField(max_length=80)
    checks = models.JSONField(default=list, blank=True)

    class Meta:
        ordering = ["name", "pk"]

    def __str__(self) -> str:
        return self.name


class Player(models.Model):
    """`disliked`: exercises that the player does not like. `missing`: equipment not at home.
    `is_practice`: nobody's record, made for trying.
    `arriving_since`: while a file of this player is read in; nobody sees it until it is all there.
    `told_of_erasing`: since when the teacher is told that kept pictures and sounds will go.
    `changes`: counts what changed in the lessons, so that nothing older is kept as new."""

    teacher = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="players"
    )
    group = models.ForeignKey(
        Group, on_delete=models.SET_NULL, related_name="players", null=True, blank=True
    )
    name = models.CharField(max_length=80)
    instrument = models.CharField(max_length=2, choices=INSTRUMENTS)
    level = models.CharField(max_length=12, choices=LEVELS, default="beginner")
    birth_year = models.PositiveSmallIntegerField(null=True, blank=True)
    daily_minutes = models.FloatField(null=True, blank=True)
    hours_a_day = models.FloatField(default=1)
    helper_at_home = models.BooleanField(null=True, blank=True)
    way_of_teaching = models.JSONField(default=dict, blank=True)
    piece = models.CharField(max_length=120, blank=True)
    weekday = models.PositiveSmallIntegerField(null=True, blank=True)
    lesson_time = models.TimeField(null=True, blank=True)
    disliked = models.JSONField(default=list, blank=True)
    missing = models.JSONField(default=list, blank=True)
    self_check = models.BooleanField(default=False)
    is_practice = models.BooleanField(default=False)
    told_of_erasing = models.DateField(null=True, blank=True)
    arriving_since = models.DateTimeField(null=True, blank=True)
    changes = models.PositiveIntegerField(default=0)

    class Meta:
        ordering = ["lesson_time", "name"]

    def __str__(self) -> str:
        return self.name


class LessonChange(models.Model):
    """A lesson that is not at its usual time: it falls out (`to` empty) or is on another day or at
    another time. `on`: the day it was to be on."""

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="lesson_changes")
    on = models.DateField()
    to = models.DateField(null=True, blank=True)
    at = models.TimeField(null=True, blank=True)

    class Meta:
        ordering = ["on"]
        constraints = [models.UniqueConstraint(fields=["player", "on"], name="one_change_a_lesson")]

    def __str__(self) -> str:
        return f"{self.player}: {self.on} to {self.to or 'nothing'}"


class Holiday(models.Model):
    """Days on which a teacher gives no weekly lessons, from `first` to `last`."""

    teacher = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="holidays"
    )
    first = models.DateField()
    last = models.DateField()

    class Meta:
        ordering = ["first", "last"]

    def __str__(self) -> str:
        return f"{self.first} to {self.last}"


class OwnNote(models.Model):
    """A line that a teacher writes to oneself; on no sheet and no phone. `kind`: for next time, or
    of a talk with a parent or player. `done_on`: since when a line for next time is done with."""

    NEXT, TALK = "next", "talk"
    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="own_notes")
    kind = models.CharField(max_length=4, choices=[(NEXT, "for next time"), (TALK, "a talk")])
    on = models.DateField()
    text = models.CharField(max_length=600)
    done_on = models.DateField(null=True, blank=True)

    class Meta:
        ordering = ["-on", "-pk"]

    def __str__(self) -> str:
        return f"{self.player}: {self.kind} of {self.on}"


class PartnerLook(models.Model):
    """What another player of the class said to have seen of a check on a day: weaker than a
    teacher's look, kept and shown apart from it. `watcher`: null when that player was erased."""

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="partner_looks")
    watcher = models.ForeignKey(
        Player, on_delete=models.SET_NULL, null=True, blank=True, related_name="+"
    )
    check_id = models.CharField(max_length=40)
    saw = models.BooleanField()
    on = models.DateField()

    class Meta:
        ordering = ["-on", "pk"]
        constraints = [
            models.UniqueConstraint(
                fields=["player", "check_id", "on"], name="one_partner_look_a_check_a_day"
            )
        ]

    def __str__(self) -> str:
        return f"{self.player}: {self.check_id} on {self.on}"
