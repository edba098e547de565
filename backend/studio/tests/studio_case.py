"""A small studio for tests: one teacher, one player, lessons made through the services."""

import struct
import wave
import zlib
from datetime import date, timedelta
from io import BytesIO
from itertools import count
from typing import Any

from django.contrib.auth import get_user_model
from django.test import TestCase
from PIL import Image

from studio.entries import record
from studio.lessons.access import lesson_of, start_lesson
from studio.lessons.cases import LessonView
from studio.models import Lesson, Player

DAY = date(2026, 3, 4)
GRIP = {"web.closed": 3, "thumb.locked": 3, "nail.pale": 2, "hold.slips": 0}


def picture_bytes(kind: str = "PNG", size: tuple[int, int] = (60, 40), **more: Any) -> bytes:
    """A small picture, left half light and right half dark."""
    image = Image.new("RGB", size, "white")
    image.paste("black", (size[0] // 2, 0, *size))
    written = BytesIO()
    image.save(written, kind, **more)
    return written.getvalue()


def png_saying(side: int) -> bytes:
    """A PNG of a few hundred bytes that says it is `side` pixels wide and high."""

    def chunk(kind: bytes, data: bytes) -> bytes:
        body = kind + data
        return struct.pack(">I", len(data)) + body + struct.pack(">I", zlib.crc32(body))

    header = struct.pack(">IIBBBBB", side, side, 8, 2, 0, 0, 0)
    return (
        b"\x89PNG\r\n\x1a\n"
        + chunk(b"IHDR", header)
        + chunk(b"IDAT", zlib.compress(b"\0" * 10_000))
        + chunk(b"IEND", b"")
    )


def silence(seconds: float = 1.0) -> bytes:
    """A WAV file with nothing to hear."""
    written = BytesIO()
    with wave.open(written, "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(8000)
        file.writeframes(bytes(int(16_000 * seconds)))
    return written.getvalue()


class Keys:
    """Keys of entries, each once. (A generator could not be handed between test processes.)"""

    def __init__(self, first: int = 0) -> None:
        self._numbers = count(first)

    def __next__(self) -> str:
        return f"key-{next(self._numbers):06}"


class StudioCase(TestCase):
    def setUp(self) -> None:
        self.teacher = get_user_model().objects.create_user("teacher", password="quiet-hands-7")
        self.player = Player.objects.create(
            teacher=self.teacher, name="Pia Example", instrument="vn", level="intermediate",
            birth_year=2014,
        )  # fmt: skip
        self._keys = Keys()

    def lesson(self, weeks: int = 0) -> Lesson:
        return start_lesson(self.player, DAY + timedelta(weeks=weeks))

    def enter(self, lesson: Lesson, kind: str, key: str, value: object) -> None:
        record(lesson.pk, client_key=next(self._keys), kind=kind, key=key, value=value)

    def look(self, lesson: Lesson, findings: dict[str, object]) -> None:
        for evidence, entered in findings.items():
            self.enter(lesson, "observation", evidence, entered)

    def view(self, lesson: Lesson) -> LessonView:
        return LessonView(lesson_of(self.teacher, lesson.pk))

    def give(self, lesson: Lesson, *exercises: str) -> None:
        self.enter(lesson, "plan", "", [{"exercise": e} for e in exercises])

    def all_gone(self, lesson: Lesson) -> None:
        """What hurt last time is gone."""
        for place in self.view(lesson).still_asked:
            self.enter(lesson, "again", place.value, "gone")

    def whole_lesson(self, weeks: int, findings: dict[str, object]) -> Lesson:
        lesson = self.lesson(weeks)
        self.enter(lesson, "reports", "", {})
        self.all_gone(lesson)
        self.look(lesson, findings)
        focus = [f.cause for f in self.view(lesson).diagnosis.focus]
        self.enter(lesson, "focus", "", focus)
        self.give(lesson, *(i.exercise for i in self.view(lesson).proposal.items))
        return lesson
