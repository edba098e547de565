"""What a take tells, in one sentence as a teacher would say it. Give-or-take is twice the standard
error, within which 95 of 100 such takes lie."""

from collections.abc import Iterator, Mapping

from lefthand.sound.findings import (
    EVEN_RISE,
    FOURTH,
    QUICKEST,
    SHRINKS,
    Beside,
    fourth_cents,
    is_slow_and_fast,
    moved_upper,
    neighbour_shares,
    pressure_slack,
    rise_of,
    upper_of,
    vibrato_shares,
)
from lefthand.sound.slips import Slipped
from lefthand.sound.take import Take, refusal_words
from lefthand.sound.together import LATE
from lefthand.values.said import Said, said
from lefthand.words import beside, words_of

IN_TUNE = 5.0  # cents: less is hardly heard
WIDE, NARROW = 0.7, 0.25  # shares of the others' vibrato
RINGS, SILENT = 0.8, 0.2
SOME_LATE = 0.2  # of the bow starts
SLIPS: Mapping[Slipped, str] = {
    Slipped.TWICE: "slip-twice",
    Slipped.LEFT_OUT: "slip-left-out",
    Slipped.STOPPED: "slip-stopped",
}


def told(take: Take, evidence: str) -> str:
    """The sentence for the check that the take was asked for, or why it tells nothing."""
    if take.reason is not None:
        return refusal_words(take.reason)
    tellers = {
        "fourth.low": _fourth,
        "vibrato.narrow": _vibrato,
        "neighbour.muted": _neighbour,
        "press.excess": _pressure,
        "finger.late": _timing,
        "fades.early": _tiring,
    }
    sentence = tellers.get(evidence, _evenness)(take)
    return " ".join(words_of(each) for each in (sentence, *_slips(take)))


def _slips(take: Take) -> Iterator[Said]:
    """Each kind of slip once, with its bars; a slip is told and counts for nothing."""
    for kind, message in SLIPS.items():
        bars = [take.score.notes[slip.place].bar for slip in take.slips if slip.kind is kind]
        if bars:
            named = sorted(set(bars))
            where = beside(map(str, named))
            yield said(message, notes=len(bars), bars=len(named), where=where)


def named(finger: int) -> Said:
    return said(f"finger-{finger}")


def _fourth(take: Take) -> Said:
    cents = fourth_cents(take)
    if cents is None:
        return said("sound-fourth-unclear")
    give = 2 * take.fingers[FOURTH].uncertainty
    if abs(cents) < max(IN_TUNE, give):
        return said("sound-fourth-in-tune", give=round(give))
    return said("sound-fourth-off", off=off(cents), give=round(give))


def off(cents: float) -> Said:
    return said("sound-off", cents=round(abs(cents)), side="low" if cents < 0 else "high")


def _vibrato(take: Take) -> Said:
    shares = vibrato_shares(take)
    widths = {finger: found.width for finger, found in take.vibrato.items()}
    if not shares:
        return said("sound-no-vibrato" if widths else "sound-none-held")
    worst = min(shares, key=lambda finger: shares[finger])
    if shares[worst] >= WIDE:
        return said("sound-swing-alike", cents=round(_usual(widths)))
    if widths[worst] == 0:
        usual = round(_usual(widths))
        return said("sound-no-vibrato-on", finger=named(worst), cents=usual)
    return said(
        "sound-swings-less",
        finger=named(worst),
        cents=round(widths[worst]),
        share=round(100 * shares[worst]),
    )


def _usual(widths: Mapping[int, float]) -> float:
    swinging = sorted(width for width in widths.values() if width > 0)
    return swinging[len(swinging) // 2]


def _neighbour(take: Take) -> Said:
    shares = neighbour_shares(take)
    if not shares:
        return said("sound-ring-unclear")
    silent = tuple(named(f) for f, share in shares.items() if share <= SILENT)
    partly = tuple(named(f) for f, share in shares.items() if SILENT < share < RINGS)
    if silent and partly:
        return said("sound-silent-and-partly", silent=silent, partly=partly)
    if silent:
        return said("sound-silent", silent=silent)
    return said("sound-partly", partly=partly) if partly else said("sound-rings")


def _pressure(take: Take) -> Said:
    slack = pressure_slack(take)
    if not slack:
        return said("sound-never-broke")
    most = min(slack, key=lambda finger: slack[finger])
    return said("sound-clear-at", finger=named(most), share=round(100 * slack[most]))


def _timing(take: Take) -> Said:
    """The finger that comes latest, beside the bow."""
    if not take.timing:
        return said("sound-together-unclear")
    worst = max(take.timing, key=lambda finger: (take.timing[finger].share, finger))
    found = take.timing[worst]
    give = round(2 * found.uncertainty)
    if found.share < SOME_LATE:
        return said("sound-together", ms=round(1000 * LATE))
    if found.ms - give <= 0:
        share = round(100 * found.share)
        return said("sound-late-at-times", finger=named(worst), share=share)
    return said("sound-late", finger=named(worst), ms=round(found.ms), give=give)


def _tiring(take: Take) -> Said:
    if take.tightens_from is None:
        return said("sound-tightens-unclear")
    if take.tightens_from >= 1:
        return said("sound-tightens-not")
    return said("sound-tightens", share=round(100 * take.tightens_from))


def _evenness(take: Take) -> Said:
    found = take.evenness
    if found is None:
        return said("sound-even-unclear")
    if found.cv <= found.least:
        return said("sound-even", least=round(found.least))
    spread, give = round(found.cv), round(2 * found.uncertainty)
    if found.worst_pair is None:
        return said("sound-uneven", spread=spread, give=give)
    one, other = map(named, found.worst_pair)
    return said("sound-uneven-pair", spread=spread, give=give, one=one, other=other)


def told_of_two(slow: Beside, fast: Beside) -> str:
    """What a slow and a fast take of one drill tell together."""
    if not is_slow_and_fast(slow, fast):
        if fast.speed > QUICKEST:
            return words_of(said("sound-two-too-fast"))
        return words_of(said("sound-two-alike"))
    parts = "; ".join(words_of(each) for each in (*_rise(slow, fast), *_upper(slow, fast)))
    return words_of(said("sound-two", parts=parts)) if parts else ""


def _rise(slow: Beside, fast: Beside) -> Iterator[Said]:
    rise, give = rise_of(slow, fast)
    if rise is None:
        return
    if rise < EVEN_RISE:
        yield said("sound-as-even")
        return
    message = "sound-less-even" if rise > give else "sound-perhaps-less-even"
    yield said(message, percent=round(rise), give=round(give))


def _upper(slow: Beside, fast: Beside) -> Iterator[Said]:
    """Of third and fourth, those that this hand has."""
    moved, give = moved_upper(slow, fast)
    if moved is None:
        return
    fingers = upper_of(slow, fast)
    names, count = tuple(map(named, fingers)), len(fingers)
    if moved >= -SHRINKS:
        yield said("sound-keep-place", fingers=names, count=count)
        return
    message = "sound-sink" if -moved > give else "sound-perhaps-sink"
    yield said(message, fingers=names, count=count, cents=round(-moved), give=round(give))
