"""Orders of fingers for one bar: all different, from easy to hard, what is weak most often.

An order is four fingers of which no two neighbours are alike. Its cost is how far the hand has to
jump between fingers and how often it turns. Orders are drawn without repetition, each with a weight
that grows with how often it uses the weak fingers and pairs (working judgement, no source).
"""

import random
from collections.abc import Sequence
from itertools import pairwise, product

from lefthand.music.request import EASY, HARD, DrillHand

BAR_NOTES = 4
LEAST_DIFFERENT = 3

Order = tuple[int, ...]


def finger_orders(hand: DrillHand, count: int) -> list[Order]:
    """`count` orders, easiest first; a new round begins only when all were used."""
    fingers = hand.fingers if len(hand.fingers) == BAR_NOTES else (0, *hand.fingers)
    chooser = random.Random(hand.request.seed)
    pool = _of_difficulty(_all_orders(fingers), hand.request.difficulty)
    chosen: list[Order] = []
    while len(chosen) < count:
        some = _draw(pool, hand, chooser, count - len(chosen))
        chosen += sorted(some, key=_cost)
    return chosen


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
