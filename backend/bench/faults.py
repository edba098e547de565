"""Plant small faults in the core and see whether its tests notice: `python -m bench.faults`.

Each fault is one change of one place (a comparison, an operator, a number, a truth) in a copy of
the core; then the tests of its floor run until the first failure. What survives is printed, to be
tested or to be recognised as no fault at all.
"""

import argparse
import ast
import copy
import os
import random
import shutil
import subprocess
import sys
import tempfile
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path

BACKEND = Path(__file__).resolve().parents[1]
CORE = BACKEND / "lefthand"
PATIENCE_S = 180
# Tests that speak of a floor, those that take least time first.
TESTS = {
    "values": ("edges", "case", "catalogue", "grading", "progress", "objections", "planning"),
    "catalogue": ("catalogue", "edges", "case", "ways", "sweep", "promises"),
    "case": ("case", "edges", "grading", "ways", "command_line"),
    "reason": (
        *("safety", "learning", "network", "edges", "theory", "ways", "sweep", "diagnosis"),
        *("teachers_cases", "planning", "objections", "command_line"),
    ),
    "practice": (
        *("doses", "load", "keep_alive", "progress", "week", "standing", "home_work", "edges"),
        *("theory", "sweep", "objections", "planning", "planning_properties"),
    ),
    "music": ("tunes", "music", "edges", "drill_hands", "promises", "music_outside"),
    "fit": ("reach",),
    "picture": ("angles",),
}
COMPARED: dict[type[ast.cmpop], type[ast.cmpop]] = {
    ast.Lt: ast.LtE,
    ast.LtE: ast.Lt,
    ast.Gt: ast.GtE,
    ast.GtE: ast.Gt,
    ast.Eq: ast.NotEq,
    ast.NotEq: ast.Eq,
    ast.In: ast.NotIn,
    ast.NotIn: ast.In,
    ast.Is: ast.IsNot,
    ast.IsNot: ast.Is,
}
COUNTED: dict[type[ast.operator], type[ast.operator]] = {
    ast.Add: ast.Sub,
    ast.Sub: ast.Add,
    ast.Mult: ast.Add,
    ast.Div: ast.Mult,
}
OTHER_CALL = {"min": "max", "max": "min", "any": "all", "all": "any"}


@dataclass(frozen=True, slots=True)
class Fault:
    path: Path
    line: int
    what: str
    text: str


def changes(node: ast.AST) -> Iterator[Callable[[ast.AST], str]]:
    """Ways to make one node wrong; each changes a node of that kind and says what it did."""
    if isinstance(node, ast.Compare) and type(node.ops[0]) in COMPARED:
        yield _compare
    if isinstance(node, ast.BinOp) and type(node.op) in COUNTED:
        yield _count
    if isinstance(node, ast.BoolOp):
        yield _join
    if isinstance(node, ast.UnaryOp) and isinstance(node.op, ast.Not):
        yield _affirm
    if isinstance(node, ast.Constant) and type(node.value) in (bool, int, float):
        yield _another_number
    if isinstance(node, ast.Call) and getattr(node.func, "id", "") in OTHER_CALL:
        yield _another_call


def _compare(node) -> str:  # type: ignore[no-untyped-def]
    node.ops[0] = COMPARED[type(node.ops[0])]()
    return "another comparison"


def _count(node) -> str:  # type: ignore[no-untyped-def]
    node.op = COUNTED[type(node.op)]()
    return "another operator"


def _join(node) -> str:  # type: ignore[no-untyped-def]
    node.op = ast.Or() if isinstance(node.op, ast.And) else ast.And()
    return "and for or"


def _affirm(node) -> str:  # type: ignore[no-untyped-def]
    node.op = ast.UAdd()
    return "no not"


def _another_number(node) -> str:  # type: ignore[no-untyped-def]
    node.value = (not node.value) if isinstance(node.value, bool) else node.value + 1
    return "another number"


def _another_call(node) -> str:  # type: ignore[no-untyped-def]
    node.func.id = OTHER_CALL[node.func.id]
    return f"{node.func.id} instead"


def all_faults(path: Path) -> Iterator[Fault]:
    source = path.read_text(encoding="utf-8")
    tree = ast.parse(source)
    # How a class is made (frozen, with slots) is no matter of what it does.
    made = {
        id(n) for d in ast.walk(tree) for e in getattr(d, "decorator_list", []) for n in ast.walk(e)
    }
    for number, node in enumerate(ast.walk(tree)):
        for change in changes(node) if id(node) not in made else ():
            wrong = copy.deepcopy(tree)
            changed = next(n for i, n in enumerate(ast.walk(wrong)) if i == number)
            what = change(changed)
            text = ast.unparse(ast.fix_missing_locations(wrong))
            yield Fault(path, getattr(node, "lineno", 0), what, text)


def choose(count: int, seed: int, floors: list[str]) -> list[Fault]:
    """Faults spread over all files of the floors alike."""
    chooser = random.Random(seed)
    files = [
        path
        for floor in floors
        for path in sorted((CORE / floor).glob("*.py"))
        if path.name != "__init__.py"
    ]
    found = [fault for path in files for fault in all_faults(path)]
    return sorted(
        chooser.sample(found, min(count, len(found))), key=lambda f: (str(f.path), f.line)
    )


def is_noticed(fault: Fault) -> bool:
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name) / "backend"
        shutil.copytree(CORE, folder / "lefthand", ignore=shutil.ignore_patterns("__pycache__"))
        shutil.copytree(BACKEND / "bench", folder / "bench")
        changed = folder / fault.path.relative_to(BACKEND)
        changed.write_text(fault.text, encoding="utf-8")
        floor = fault.path.relative_to(CORE).parts[0]
        tests = [f"lefthand.tests.test_{test}" for test in TESTS[floor]]
        command = [sys.executable, "-m", "unittest", "--failfast", *tests]
        env = {**os.environ, "OPENBLAS_NUM_THREADS": "1"}
        try:
            done = subprocess.run(
                command, cwd=folder, env=env, capture_output=True, timeout=PATIENCE_S, check=False
            )
        except subprocess.TimeoutExpired:
            return True
        return done.returncode != 0


def main() -> None:
    options = argparse.ArgumentParser(description=__doc__)
    options.add_argument("--faults", type=int, default=100)
    options.add_argument("--seed", type=int, default=1)
    options.add_argument("--floor", choices=list(TESTS), nargs="*", default=list(TESTS))
    chosen = options.parse_args()
    faults = choose(chosen.faults, chosen.seed, chosen.floor)
    survived = 0
    with ThreadPoolExecutor(max_workers=os.cpu_count()) as pool:
        for fault, noticed in zip(faults, pool.map(is_noticed, faults), strict=True):
            if not noticed:
                survived += 1
                line = fault.path.read_text(encoding="utf-8").splitlines()[fault.line - 1].strip()
                where = f"{fault.path.relative_to(CORE)}:{fault.line}"
                print(f"not noticed: {where}: {fault.what}: {line}", flush=True)
    share = 100 * (len(faults) - survived) / max(1, len(faults))
    print(f"{len(faults)} faults, {len(faults) - survived} noticed, {share:.0f} %")


if __name__ == "__main__":
    main()
