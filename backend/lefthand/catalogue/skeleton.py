"""The skeleton of something new in the knowledge: every field that must be filled in, in each file.

What is still to be filled in stands as `FILL IN`, which the catalogue refuses by name, so that
loading it says step by step what is missing.
"""

import re
from collections.abc import Mapping
from pathlib import Path

from lefthand.catalogue.catalogue import KNOWLEDGE, load_catalogue
from lefthand.values.errors import InputError
from lefthand.values.knowledge_file import FILL_IN

ID = re.compile(r"[a-z][a-z0-9_]*(\.[a-z0-9_]+)?")
# By kind: the files with what is added to each.
SKELETONS: Mapping[str, Mapping[str, str]] = {
    "check": {
        "evidence.yaml": """{id}:
  stage: FILL IN
  seconds: 10
  from: {{FILL IN: M}}
  place: none
  label: FILL IN
  look: FILL IN
  free: FILL IN
  means: [FILL IN, FILL IN, FILL IN]
  child: FILL IN
""",
        "called.yaml": "{id}: {{phrases: [FILL IN]}}\n",
    },
    "exercise": {
        "exercises/release.yaml": """{id}:
  kind: release
  setting: silent
  aims: [FILL IN]
  loads: [hand, thumb, fingers]
  name: FILL IN
  does: FILL IN
  steps: [FILL IN, FILL IN, FILL IN]
  feel: FILL IN
  mistake: FILL IN
  child: FILL IN
  mirror: FILL IN
  over: FILL IN
  stop: FILL IN
  pass: FILL IN
  rungs:
    - {{as: FILL IN, reps: 5, of: times, seconds: 3, sets: 2, rest: 10}}
""",
        "brief.yaml": """{id}:
  steps: [FILL IN, FILL IN, FILL IN]
  feel: FILL IN
  stop: FILL IN
  see: FILL IN
""",
        "called.yaml": "{id}: {{phrases: [FILL IN]}}\n",
    },
    "cause": {
        "causes.yaml": """{id}:
  order: 99
  places: [FILL IN]
  prior: 0.1
  name: FILL IN
  meaning: FILL IN
  because: FILL IN
  easier: FILL IN
  easier_for_another: FILL IN
  takes: FILL IN
  settle: []
  begin_with: [FILL IN]
""",
        "one_thing.yaml": """{id}:
  child: {{say: FILL IN, why: FILL IN}}
  teen: {{say: FILL IN, why: FILL IN}}
  adult: {{say: FILL IN, why: FILL IN}}
  ask: FILL IN
""",
        "called.yaml": "{id}: {{phrases: [FILL IN]}}\n",
    },
    "tune": {
        "tunes.yaml": """{id}:
  title: FILL IN
  origin: FILL IN
  level: beginner
  phrases: [FILL IN]
""",
    },
    "way": {
        "ways.yaml": """{id}:
  label: FILL IN
  values: {{FILL IN: FILL IN}}
""",
    },
}
# What else a kind needs, by where it stands.
BESIDE: Mapping[str, tuple[str, ...]] = {
    "check": (
        "backend/lefthand/tests/released_ids.json: its id, under evidence",
        "knowledge/hand/postures.yaml: what it does to the drawn hand, where a hand can show it",
        "frontend/src/drawings/places.ts: its place, where that is a new one",
    ),
    "exercise": (
        "backend/lefthand/tests/released_ids.json: its id, under exercises",
        "knowledge/hand/pictures.yaml: two hands, where they say more than words",
        "backend/lefthand/tests/promises.py: what its music promises, where it has some",
    ),
    "cause": ("backend/lefthand/tests/released_ids.json: its id, under causes",),
    "tune": ("backend/lefthand/tests/test_tunes.py: a printed source, where there is one",),
    "way": ("backend/lefthand/tests/released_ids.json: its id and values, under ways",),
}


def make_skeleton(kind: str, name: str, folder: Path = KNOWLEDGE) -> list[str]:
    """Append what `kind` needs under a new id; what was done and what is left, a line each. Raises
    InputError for an unknown kind, an id that is no id and one that is taken."""
    if kind not in SKELETONS:
        raise InputError("kind", f"{kind!r} is not one of {', '.join(SKELETONS)}")
    if not ID.fullmatch(name):
        raise InputError("id", f"expected small letters, digits and underscores, got {name!r}")
    known = load_catalogue()
    parts = (known.causes, known.evidence, known.exercises, known.tunes, known.ways)
    if any(name in part for part in parts):
        raise InputError("id", f"{name!r} is taken")
    for file, text in SKELETONS[kind].items():
        with (folder / file).open("a", encoding="utf-8") as end:
            end.write(text.format(id=name))
    filled = [f"{file}: fill in what says {FILL_IN}" for file in SKELETONS[kind]]
    return [*filled, *BESIDE[kind]]
