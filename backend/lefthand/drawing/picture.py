"""A posture from one view: layers of paths, far to near."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import groupby
from typing import Any

import shapely

from lefthand.drawing.anatomy import DATA
from lefthand.drawing.details import details_of
from lefthand.drawing.flesh import flesh_of
from lefthand.drawing.outlines import Scene, edges_of, scene_of, skin_of
from lefthand.drawing.paths import polygon_path, smooth_path, straight_path
from lefthand.drawing.places import Target, targets_of
from lefthand.drawing.posture import Posture, family_of
from lefthand.drawing.sight import Camera, camera_of
from lefthand.drawing.skeleton import Skeleton, skeleton_of
from lefthand.drawing.wood import Shape, woodwork_of
from lefthand.values.knowledge_file import read_records
from lefthand.values.vocabulary import Instrument

# Areas that lie over each other with a line around each.
SEPARATE = ("body", "head", "neck", "board")
MAIN = "main"
ALONG = "along"


@dataclass(frozen=True, slots=True)
class Path:
    """`kind` says how it is painted; a width only where it is not that of the kind."""

    kind: str
    d: str
    width: float | None = None


@dataclass(frozen=True, slots=True)
class Picture:
    width: float
    height: float
    paths: tuple[Path, ...]


@lru_cache(maxsize=1)
def _views() -> Mapping[str, Any]:
    return {record.id: record.rest() for record in read_records(DATA / "views.yaml")}


@lru_cache(maxsize=64)
def camera_for(instrument: Instrument, view: str, *, tilt: float = 0.0) -> Camera:
    data = dict(_views()[family_of(instrument)][view])
    moved = _views()["moved"].get(instrument)
    if moved:
        data["at"] = [a + b for a, b in zip(data["at"], moved[view], strict=True)]
        data["scale"] *= moved["scale"]
    return camera_of(data, held_up=instrument.is_held_up, tilt=tilt if view == MAIN else 0.0)


@dataclass(frozen=True, slots=True)
class Cut:
    """The part of a picture that is shown: its corner and size, picture units."""

    x: float
    y: float
    width: float
    height: float


@lru_cache(maxsize=256)
def _cut_out(camera: Camera, cut: Cut) -> Camera:
    across, down = camera.middle
    return replace(camera, middle=(across - cut.x, down - cut.y), field=(cut.width, cut.height))


def look(posture: Posture, view: str = MAIN, cut: Cut | None = None) -> tuple[Skeleton, Scene]:
    """The joints, and what of the hand is seen in that view or in a part of it."""
    skeleton = skeleton_of(posture)
    camera = camera_for(posture.instrument, view, tilt=posture["scene.tilt"])
    if cut:
        camera = _cut_out(camera, cut)
    wood = woodwork_of(skeleton, camera)
    return skeleton, scene_of(flesh_of(skeleton), wood, camera)


def bare(posture: Posture, view: str = MAIN, cut: Cut | None = None) -> Picture:
    """The same without the hand: the instrument by itself."""
    _, scene = look(posture, view, cut)
    width, height = scene.camera.field
    shapes = (*scene.wood.behind, *scene.wood.neck)
    return Picture(width, height, tuple(_together([_wood_path(shape) for shape in shapes])))


def picture_of(posture: Posture, view: str = MAIN) -> Picture:
    skeleton, scene = look(posture, view)
    return drawn(skeleton, scene)


def drawing_of(posture: Posture, view: str = MAIN) -> tuple[Picture, list[Target]]:
    """The picture and the places on it."""
    skeleton, scene = look(posture, view)
    return drawn(skeleton, scene), targets_of(skeleton, scene)


def drawn(skeleton: Skeleton, scene: Scene) -> Picture:
    behind, before = skin_of(scene)
    paths = [_wood_path(shape) for shape in scene.wood.behind]
    paths.append(_skin_path(behind, scene.camera))
    paths += [_wood_path(shape) for shape in scene.wood.neck]
    paths.append(_skin_path(before, scene.camera))
    details = list(details_of(scene, skeleton))
    for mark in details:
        if mark.kind.startswith("nail"):
            paths.append(Path(mark.kind, smooth_path(mark.points, is_closed=mark.is_closed)))
    for line in edges_of(scene):
        kind = "hidden" if line.is_hidden else "line"
        paths.append(Path(kind, smooth_path(line.points, is_closed=line.is_closed)))
    for mark in details:
        if not mark.kind.startswith("nail"):
            paths.append(Path(mark.kind, smooth_path(mark.points)))
    width, height = scene.camera.field
    return Picture(width, height, tuple(_together(paths)))


def _together(paths: list[Path]) -> Iterator[Path]:
    """Neighbouring paths of one kind as one."""
    for (kind, width), same in groupby(paths, key=lambda path: (path.kind, path.width)):
        if kind in SEPARATE:
            yield from same
            continue
        d = "".join(path.d for path in same)
        if d:
            yield Path(kind, d, width)


def _skin_path(areas: list[shapely.Geometry], camera: Camera) -> Path:
    width, height = camera.field
    kept = [shapely.clip_by_rect(area, -8, -8, width + 8, height + 8) for area in areas]
    return Path("skin", "".join(map(polygon_path, kept)))


def _wood_path(shape: Shape) -> Path:
    d = straight_path(shape.points)
    return Path(shape.kind, d if shape.width else d + "Z", shape.width)
