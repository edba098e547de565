"""Music of others drawn by a process of its own: the engraver is not safe against hostile files,
and what brings it down, or keeps it busy, brings down nothing else."""

import json
import os
import subprocess
import sys
from collections.abc import Sequence
from functools import lru_cache

from lefthand.music.engraving import USUAL_ROOM, Style, engrave
from lefthand.values.errors import InputError

LONGEST = 20  # s
KEPT = 64
COULD_NOT = InputError("musicxml", "the music could not be drawn")


@lru_cache(maxsize=KEPT)
def engraved_apart(
    scores: tuple[str, ...], width: int, room: int = USUAL_ROOM, style: Style = Style.SCREEN
) -> tuple[str, ...]:
    """Each score as SVG, as `engrave` does it. Raises InputError on `musicxml`."""
    asked = json.dumps({"scores": scores, "width": width, "room": room, "style": style})
    try:
        done = subprocess.run(
            [sys.executable, "-m", "lefthand.music.engraved_apart"],
            input=asked.encode(),
            capture_output=True,
            timeout=LONGEST,
            check=True,
            env={**os.environ, "PYTHONPATH": os.pathsep.join(filter(None, sys.path))},
        )
        drawn = json.loads(done.stdout)
    except (subprocess.SubprocessError, ValueError) as error:
        raise COULD_NOT from error
    return tuple(drawn)


def draw_all(scores: Sequence[str], width: int, room: int, style: Style) -> list[str]:
    return [
        engrave(score, seed=seed, width=width, room=room, style=style)
        for seed, score in enumerate(scores, start=1)
    ]


if __name__ == "__main__":
    told = json.load(sys.stdin.buffer)
    json.dump(
        draw_all(told["scores"], told["width"], told["room"], Style(told["style"])), sys.stdout
    )
