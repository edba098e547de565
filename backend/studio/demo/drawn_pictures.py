"""Pictures of a drawn hand with known angles, as a camera would take them: tilted, soft, grainy.

They stand in for photographs in the demo, and let a teacher try the measuring where the answer is
known. Each says that it is drawn.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from io import BytesIO

import numpy as np
import typst
from PIL import Image, ImageFilter

from lefthand.drawing.side import SideView, side_view
from lefthand.drawing.svg import LIGHT, svg_of

SCALE = 5.0  # pixels a picture unit
AROUND = 34.0  # picture units around the finger
BACKGROUND = (226, 219, 205)
BLUR = 1.6  # pixels
GRAIN = 9.0  # of 255, standard deviation
QUALITY = 85
DRAWN = b"""#set page(width: auto, height: auto, margin: 0pt, fill: none)
#image(bytes(sys.inputs.svg), format: "svg", width: 320pt)"""


@dataclass(frozen=True)
class DrawnPicture:
    """A JPEG and its true points, pixels, as in `jolf-points/1`."""

    jpeg: bytes
    width: int
    height: int
    points: Mapping[str, tuple[float, float]]


def drawn_picture(
    finger: int, *, tip: float, middle: float, from_thumb: bool, tilt: float, seed: int
) -> DrawnPicture:
    """One finger from its side with these bends, degrees; the camera tilted by `tilt`."""
    view = side_view(finger, tip=tip, middle=middle, from_thumb=from_thumb, on_board=True)
    image, points = _turned(_raster(view), view.places, tilt)
    box = _around(points, image.size)
    image = _grainy(image.crop(box).filter(ImageFilter.GaussianBlur(BLUR)), seed)
    cut = {name: (x - box[0], y - box[1]) for name, (x, y) in points.items()}
    width, height = image.size
    inside = {n: (x, y) for n, (x, y) in cut.items() if 0 <= x < width and 0 <= y < height}
    written = BytesIO()
    image.save(written, "JPEG", quality=QUALITY)
    return DrawnPicture(written.getvalue(), width, height, inside)


def _raster(view: SideView) -> Image.Image:
    png = typst.compile(
        DRAWN, format="png", ppi=72 * SCALE, sys_inputs={"svg": svg_of(view.picture, LIGHT)}
    )
    drawn = Image.open(BytesIO(png)).convert("RGBA")
    whole = Image.new("RGBA", drawn.size, BACKGROUND)
    whole.alpha_composite(drawn)
    return whole.convert("RGB")


def _turned(
    image: Image.Image, places: Mapping[str, tuple[float, float]], tilt: float
) -> tuple[Image.Image, dict[str, tuple[float, float]]]:
    """Anticlockwise as seen, about the middle."""
    middle = complex(image.width / 2, image.height / 2)
    turn = complex(math.cos(math.radians(tilt)), -math.sin(math.radians(tilt)))
    points = {}
    for name, (x, y) in places.items():
        at = middle + (complex(x, y) * SCALE - middle) * turn
        points[name] = (at.real, at.imag)
    return image.rotate(tilt, Image.Resampling.BICUBIC, fillcolor=BACKGROUND), points


def _around(
    points: Mapping[str, tuple[float, float]], size: tuple[int, int]
) -> tuple[int, int, int, int]:
    """The finger with some of the hand and of the board."""
    joints = [at for name, at in points.items() if not name.startswith("string")]
    room = AROUND * SCALE
    (left, right), (top, bottom) = (
        (min(values) - room, max(values) + room) for values in zip(*joints, strict=True)
    )
    width, height = size
    return max(0, int(left)), max(0, int(top)), min(width, int(right)), min(height, int(bottom))


def _grainy(image: Image.Image, seed: int) -> Image.Image:
    rng = np.random.default_rng(seed)
    light = np.asarray(image, dtype=float) + rng.normal(0, GRAIN, (image.height, image.width, 1))
    return Image.fromarray(np.clip(light, 0, 255).astype(np.uint8))
