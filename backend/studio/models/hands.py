"""What else is known of a player's hand and instrument: stops, fit, pictures, takes."""

from django.db import models

from studio.models.lessons import Lesson
from studio.models.people import Player


class RedFlag(models.Model):
    """Reasons to stop. Plans are paused until the teacher lifts it with a dated note.

    `from_home`: raised by a practice log and not by the answers of a lesson. `pain`: the most that
    was told when it was raised. `log_key`: of the log that raised it. `mistaken`: taken back on the
    phone within a minute; it then never counted as a stop.
    """

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="red_flags")
    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="red_flags")
    raised_on = models.DateField()
    reasons = models.JSONField(default=list)
    lifted_on = models.DateField(null=True, blank=True)
    note = models.CharField(max_length=300, blank=True)
    from_home = models.BooleanField(default=False)
    pain = models.FloatField(null=True, blank=True)
    log_key = models.CharField(max_length=80, blank=True)
    mistaken = models.BooleanField(default=False)

    class Meta:
        ordering = ["-raised_on", "-pk"]

    def __str__(self) -> str:
        return f"{self.player}: {', '.join(self.reasons)}"


class BodyWord(models.Model):
    """A dated note on what is known of a player's body. `fact`: a check, or "injury". `word`:
    lifted (it holds no more) or limits (what a clinician allows)."""

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="body_words")
    fact = models.CharField(max_length=40)
    word = models.CharField(max_length=8, choices=[(w, w) for w in ("lifted", "limits")])
    on = models.DateField()
    note = models.CharField(max_length=300)

    class Meta:
        ordering = ["on", "pk"]

    def __str__(self) -> str:
        return f"{self.player}, {self.fact} {self.word}"


class Setup(models.Model):
    """How the instrument is fitted to the player from a day on. Lengths in mm, weight in g; None
    where it was not measured. `change`: what was changed then, in words; `judged`: what the next
    lesson found of it."""

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="setups")
    date = models.DateField()
    size = models.CharField(max_length=12, blank=True)
    string_length = models.FloatField(null=True, blank=True)
    pad = models.CharField(max_length=60, blank=True)
    side = models.CharField(max_length=60, blank=True)
    endpin = models.CharField(max_length=60, blank=True)
    seat = models.CharField(max_length=60, blank=True)
    tapes = models.JSONField(default=list, blank=True)
    weight = models.FloatField(null=True, blank=True)
    change = models.CharField(max_length=200, blank=True)
    judged = models.CharField(
        max_length=8, choices=[(w, w) for w in ("helped", "same", "worse")], blank=True
    )

    class Meta:
        ordering = ["date"]
        constraints = [
            models.UniqueConstraint(fields=["player", "date"], name="one_setup_a_player_a_day")
        ]

    def __str__(self) -> str:
        return f"{self.player}, fit of {self.date}"


class HandPicture(models.Model):
    """A picture of the hand that the teacher chose to keep, cut to the hand, as JPEG.

    `name`: unguessable, its address. `measure`: what was measured on it, "" for nothing;
    `finger`: on which one. `points`: pixels of the kept cut, as in `jolf-points/1`. `words`: the
    teacher's own.
    """

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="pictures")
    name = models.CharField(max_length=43, unique=True)
    date = models.DateField()
    measure = models.CharField(max_length=20, blank=True)
    finger = models.PositiveSmallIntegerField(null=True, blank=True)
    points = models.JSONField(default=dict, blank=True)
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    words = models.CharField(max_length=120, blank=True)
    image = models.BinaryField()

    class Meta:
        ordering = ["date", "pk"]

    def __str__(self) -> str:
        return f"{self.player}, picture of {self.date}"


class Take(models.Model):
    """What a recording told; the sound itself is not in it.

    `evidence`: the check it was asked for. `part`: "slow" or "fast". `score`: what was played, as
    `jolf-drill/1`; `result`: as `jolf-take/1`; `curve`: pitch and level to be drawn, None where it
    tells nothing. `words`: its sentence. `is_simulated`: a made-up player played it. `home_on`: the
    day it was played at home in the week of this lesson, None for one of the lesson itself;
    `log_key`: of the phone, so that it counts once. `is_changed`: something was changed before it,
    so that it and what follows is another condition than the takes before.
    """

    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="takes")
    is_changed = models.BooleanField(default=False)
    evidence = models.CharField(max_length=60)
    part = models.CharField(max_length=4)
    is_simulated = models.BooleanField(default=False)
    score = models.JSONField()
    result = models.JSONField()
    curve = models.JSONField(null=True, blank=True)
    words = models.CharField(max_length=300)
    home_on = models.DateField(null=True, blank=True)
    log_key = models.CharField(max_length=64, blank=True)

    class Meta:
        ordering = ["pk"]

    def __str__(self) -> str:
        return f"{self.lesson}, take for {self.evidence}"


class Leave(models.Model):
    """Whose leave there is to keep pictures or sounds of a player. `by`: the player or a parent,
    `name`: whose word it is."""

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="leaves")
    kind = models.CharField(max_length=7)
    by = models.CharField(max_length=6)
    name = models.CharField(max_length=80)
    on = models.DateField()

    class Meta:
        ordering = ["kind"]
        constraints = [models.UniqueConstraint(fields=["player", "kind"], name="one_leave_a_kind")]

    def __str__(self) -> str:
        return f"{self.kind} of {self.player}: {self.by} {self.name}, {self.on}"


class KeptSound(models.Model):
    """The sound of a take that the teacher chose to keep, as FLAC. `name`: unguessable, its
    address."""

    take = models.OneToOneField(Take, on_delete=models.CASCADE, related_name="sound")
    name = models.CharField(max_length=43, unique=True)
    flac = models.BinaryField()

    def __str__(self) -> str:
        return f"{self.take}, its sound"
