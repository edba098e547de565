"""Sounds that a teacher keeps: written anew, so that nothing but the sound is in them."""

import io
import secrets

import numpy as np
import soundfile

from lefthand.sound.recording import Recording
from studio.errors import StudioError
from studio.models import KeptSound, Take
from studio.takes.takes import recording_in

MOST_SOUNDS = 30  # of one player: a player file with all of them can still be read
SAME_LENGTH = 0.1  # s
BITS = "PCM_16"


def keep_sound(take: Take, data: bytes) -> KeptSound:
    """The sound from which the take was measured, sent again. Raises StudioError naming the
    field."""
    recording = recording_in(data)
    if abs(recording.seconds - take.result["seconds"]) > SAME_LENGTH:
        raise StudioError("bad_input", "file", "is not the sound of this take")
    kept = KeptSound.objects.filter(take__lesson__player=take.lesson.player_id)
    if kept.exclude(take=take).count() >= MOST_SOUNDS:
        raise StudioError("conflict", "sound", f"there are {MOST_SOUNDS} sounds: let some go")
    told = {"flac": _flac(recording)}
    named = {"name": secrets.token_urlsafe(32), **told}
    return KeptSound.objects.update_or_create(take=take, defaults=told, create_defaults=named)[0]


def sound_of(take: Take, name: str) -> KeptSound:
    """Raises StudioError."""
    found = KeptSound.objects.filter(take=take, name=name).first()
    if found is None:
        raise StudioError("not_found", "sound")
    return found


def _flac(recording: Recording) -> bytes:
    written = io.BytesIO()
    samples = np.clip(recording.samples, -1, 1)
    soundfile.write(written, samples, recording.rate, format="FLAC", subtype=BITS)
    return written.getvalue()
