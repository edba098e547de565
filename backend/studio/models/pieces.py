"""A player's own music."""

from django.db import models

from studio.models.people import Player


class Piece(models.Model):
    """A score that the teacher brought in for a player.

    `score`: the file as it came. `part`: its id in the file. `first`, `last`: places of the bars
    that are worked on, from 0; `bars`: how many there are. `tempo`: quarters a minute, None for
    those of the file. `wishes`: the teacher's own, {number of the note: {"finger": 4, "string": 2,
    "lets_go": true}}, each of them or none; strings from 1, the highest; lets_go false takes a
    place to let go out. `taste`: of the fingers that are proposed. `place`: where the step into
    music is in the coming weeks, at most in one piece of a player: {"first", "last": places of its
    bars, "heart": [from, to], "start", "goal": quarters a minute, "bars": [[printed number,
    quarters], ...] of the whole piece}. `asks`: points a bar by kind of demand, to set beside
    another piece, by the `reading` of that number. `later`: brought in ahead, not begun yet.
    `old_treble`: the teacher's answer whether the cello's treble clef is meant an octave lower.
    `heard`: what the newest take of it told: {"on", "tempo", "is_simulated",
    "words", "usable", "is_long", "tightens" and "hardest": places of bars or None, "bars":
    [[place, deviation or None], ...]}; the sound itself is not kept.
    """

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="pieces")
    brought_on = models.DateField()
    title = models.CharField(max_length=160)
    part = models.CharField(max_length=60)
    bars = models.PositiveIntegerField()
    first = models.PositiveIntegerField()
    last = models.PositiveIntegerField()
    tempo = models.FloatField(null=True, blank=True)
    wishes = models.JSONField(default=dict, blank=True)
    taste = models.CharField(max_length=20, blank=True)
    place = models.JSONField(null=True, blank=True)
    heard = models.JSONField(null=True, blank=True)
    asks = models.JSONField(default=dict, blank=True)
    reading = models.PositiveSmallIntegerField(default=0)
    later = models.BooleanField(default=False)
    old_treble = models.BooleanField(null=True, blank=True)
    score = models.BinaryField()

    class Meta:
        ordering = ["brought_on", "pk"]

    def __str__(self) -> str:
        return f"{self.player}: {self.title}"
