"""Orders of fingers for one bar: all different, from easy to hard, what is weak most often.

An order is four fingers of which no two neighbours are alike. Its cost is how far the hand has to
jump between fingers and how often it turns. Orders are drawn without repetition, each with a weight
that grows with how often it uses the weak fingers and pairs (working judgement, no source).
"""

import random
from collections.abc import Iterator, Sequence
from itertools import pairwise, product

from lefthand.catalogue.drills import Orders, Recipe
from lefthand.music.request import EASY, HARD, DrillHand
from lefthand.music.score import Event, rest
from lefthand.values.vocabulary import Instrument

BAR_NOTES = 4
LEAST_DIFFERENT = 3
USUAL_BARS = 4

Order = tuple[int, ...]


def order_bars(recipe: Recipe, wanted: Orders, hand: DrillHand) -> Iterator[Event]:
    """The notes of bar after bar, each another order of fingers."""
    count = hand.request.bars or hand.request.passes or USUAL_BARS
    orders = finger_orders(hand, (count + 1) // 2 if wanted.then_sounding else count, recipe)
    silent = [set(wanted.silent)] * len(orders)
    if wanted.then_sounding:
        orders, silent = orders * 2, silent + [set()] * len(orders)
    for order, without in zip(orders[:count], silent, strict=False):
        for finger in order:
            if wanted.rested:
                yield rest()
            if finger in without:
                yield rest()
            else:
                marks = frozenset({"short"}) if wanted.rested else frozenset()
                yield Event(rest().length, (hand.tone(finger, hand.string),), marks)


def finger_orders(hand: DrillHand, count: int, recipe: Recipe) -> list[Order]:
    """`count` orders, easiest first; a new round begins only when all were used."""
    fingers = pattern_fingers(hand, recipe)
    chooser = random.Random(hand.request.seed)
    pool = _of_difficulty(_all_orders(fingers), hand.request.difficulty)
    aimed = set(hand.request.fingers) & set(fingers)
    if aimed:
        pool = [order for order in pool if aimed & set(order)] or pool
    chosen: list[Order] = []
    while len(chosen) < count:
        some = _draw(pool, hand, chooser, count - len(chosen))
        chosen += sorted(some, key=_cost)
    return chosen


def pattern_fingers(hand: DrillHand, recipe: Recipe) -> Order:
    """Fingers whose notes lie in an easy key: all four of violin and viola; on cello and bass,
    whose fingers stand a half step apart, open, first, third and fourth, or open, first, second and
    fourth; all of them where it is to be hard. Where the exercise is about the frame, its own
    fingers and no open string."""
    fingers = hand.fingers
    if hand.request.instrument.is_held_up:
        return fingers
    if recipe.chromatic:
        return fingers
    if hand.request.difficulty == HARD or hand.request.frame == "wide":
        return fingers if len(fingers) == BAR_NOTES else (0, *fingers)
    second = 2 in hand.request.fingers and 3 not in hand.request.fingers
    if 3 not in fingers:
        return (0, 1, 2) if second else (0, 1, 4)
    if hand.request.instrument is Instrument.CELLO and second:
        return (0, 1, 2, 4)
    return (0, 1, 3, 4)


def _all_orders(fingers: Sequence[int]) -> list[Order]:
    return [
        order
        for order in product(fingers, repeat=BAR_NOTES)
        if all(a != b for a, b in pairwise(order)) and len(set(order)) >= LEAST_DIFFERENT
    ]


def _of_difficulty(orders: list[Order], difficulty: int) -> list[Order]:
    """The easier half, all, or the harder half."""
    ranked = sorted(orders, key=lambda order: (_cost(order), order))
    half = len(ranked) // 2
    if difficulty == EASY:
        return ranked[:half]
    return ranked[half:] if difficulty == HARD else ranked


def _cost(order: Order) -> int:
    jumps = sum(abs(a - b) - 1 for a, b in pairwise(order))
    turns = sum((b - a) * (c - b) < 0 for a, b, c in zip(order, order[1:], order[2:], strict=False))
    return jumps + turns


def _draw(pool: list[Order], hand: DrillHand, chooser: random.Random, count: int) -> list[Order]:
    """Without repetition, by weight: keys u^(1/w), the greatest first (Efraimidis and Spirakis,
    Information Processing Letters 97(5), 2006)."""
    keyed = [(chooser.random() ** (1 / _weight(order, hand)), order) for order in pool]
    return [order for _, order in sorted(keyed, reverse=True)[:count]]


def _weight(order: Order, hand: DrillHand) -> int:
    weak = set(hand.request.fingers)
    pairs = {frozenset(pair) for pair in hand.request.pairs}
    hits = sum(finger in weak for finger in order)
    hits += 2 * sum(frozenset(two) in pairs for two in pairwise(order))
    return (1 + hits) ** 3
