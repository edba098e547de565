"""What the words of each step promise of its music, read off `knowledge/exercises/`: short functions
and the table that says which step promises what."""

from dataclasses import dataclass
from fractions import Fraction
from itertools import pairwise

from lefthand.music.hands import hand_of
from lefthand.music.score import Drill
from lefthand.tests.drills import CATALOGUE, bars_of_fingers, fingers_of
from lefthand.values.vocabulary import Instrument


@dataclass(frozen=True)
class Step:
    """One step as it is played. `fingers`: those aimed at, () for none. `hand`: fingers it has."""

    drill: Drill
    instrument: Instrument
    fingers: tuple[int, ...]
    hand: tuple[int, ...]

    @property
    def target(self):
        """The one finger aimed at, as this hand plays it."""
        wanted = self.fingers or self.hand[-1:]
        return wanted[0] if wanted[0] in self.hand else 4

    @property
    def heard(self):
        return fingers_of(self.drill)

    @property
    def sounding(self):
        return [event for _, event in self.drill.events() if event.tones]

    def has(self, mark):
        return [event for event in self.sounding if mark in event.marks]


def only(*fingers):
    def promise(step):
        allowed = {f for f in fingers if f in step.hand or f == 0}
        return set(step.heard) == allowed

    return promise


def only_target(step):
    return set(step.heard) == {step.target} if step.fingers else set(step.heard) == set(step.hand)


def one_finger(step):
    return set(step.heard) == {step.target}


def mostly_target(step):
    return not step.fingers or step.heard.count(step.target) >= len(step.heard) / 5


def silent_first(step):
    return 1 not in step.heard and any(event.is_rest for _, event in step.drill.events())


def first_comes_back(step):
    bars = bars_of_fingers(step.drill)
    half = len(bars) // 2
    far, usual = bars[:half], bars[half:]
    same = all(
        a == b for f, u in zip(far, usual, strict=True) for a, b in zip(f, u, strict=True) if a
    )
    return not any(1 in bar for bar in far) and not any(None in bar for bar in usual) and same


def rests_between(step):
    events = [event for _, event in step.drill.events()]
    return all(a.is_rest or b.is_rest for a, b in pairwise(events))


def rest_before_each(step):
    events = [event for _, event in step.drill.events()]
    return all(
        events[i - 1].is_rest if i else False for i, event in enumerate(events) if event.tones
    )


def fourth_leads(step):
    return all(
        [f for f in bar if f] == sorted((f for f in bar if f), reverse=True) and bar[0] == 4
        for bar in bars_of_fingers(step.drill)
    )


def over_four_strings(step):
    per_bar = [{t.string for e in bar for t in e.tones} for bar in step.drill.bars]
    return per_bar == [{i % 4} for i in range(len(per_bar))] and all(
        bar == [1, 2, 3, 4] for bar in bars_of_fingers(step.drill)
    )


def any_order_of_strings(step):
    order = [event.tones[0].string for event in step.sounding]
    in_row = order[:4] in ([0, 1, 2, 3], [3, 2, 1, 0])
    return (
        set(step.heard) == {4}
        and set(order) == {0, 1, 2, 3}
        and not in_row
        and all(a != b for a, b in pairwise(order))
    )


def plucked_by(*fingers):
    def promise(step):
        wanted = set(fingers) or ({step.target} if step.fingers else set(step.hand))
        return {event.plucks for event in step.sounding} == wanted

    return promise


def plucked_by_some(finger):
    def promise(step):
        return {event.plucks for event in step.sounding} - {None, 0} == {finger}

    return promise


def on_strings(*strings):
    """0 is the lowest."""

    def promise(step):
        return {tone.string for event in step.sounding for tone in event.tones} == set(strings)

    return promise


def eight_and_eight(step):
    return [e.tones[0].string for e in step.sounding] == [0] * 8 + [1] * 8


def stops_before_target(step):
    heard = step.sounding
    before = [
        a
        for a, b in pairwise(heard)
        if b.tones[0].finger == step.target and a.tones[0] != b.tones[0]
    ]
    stops = step.has("stop")
    begins_again = 3 if len(before) > len(stops) else 0  # on each of three more strings
    return bool(stops) and len(before) - len(stops) == begins_again


def begins_on(finger):
    def promise(step):
        on_bass = step.instrument is Instrument.BASS and finger == 3
        return step.heard[0] == (2 if on_bass else finger)

    return promise


def marked(mark):
    def promise(step):
        return bool(step.has(mark))

    return promise


def unmarked(mark):
    def promise(step):
        return not step.has(mark)

    return promise


def taps_each_bar(step):
    return all("tap" in bar[0].marks for bar in step.drill.bars)


def a_scale(octaves, length=None):
    def promise(step):
        pitches = [event.tones[0].pitch.midi for event in step.sounding]
        top = pitches.index(max(pitches))
        up, down = pitches[: top + 1], pitches[top:]
        major = [0, 2, 4, 5, 7, 9, 11]
        expected = [12 * o + d for o in range(octaves) for d in major] + [12 * octaves]
        rises = [p - up[0] for p in up] == expected
        fits = length is None or {event.length for event in step.sounding} == {Fraction(length)}
        return rises and down == up[::-1] and fits

    return promise


def quick(count):
    """Bursts of so many notes, each followed by rests of six seconds or more."""

    def promise(step):
        beat = 60 / step.drill.tempo
        bursts, rests, run, pause = [], [], 0, Fraction(0)
        for _, event in step.drill.events():
            if event.is_rest:
                if run:
                    bursts.append(run)
                    run, pause = 0, Fraction(0)
                pause += event.length
            else:
                if pause and not run:
                    rests.append(float(pause) * beat)
                run += 1
        rests.append(float(pause) * beat)
        sixteenths = {event.length for event in step.sounding} == {Fraction(1, 4)}
        return set(bursts) == {count} and min(rests) >= 6 and sixteenths

    return promise


def near_and_far(*wanted):
    """Semitones of the fourth above the open string, in the order of the bars."""

    def promise(step):
        found = [
            t.pitch.midi - step.drill.bars[0][0].tones[0].pitch.midi
            for e in step.sounding
            for t in e.tones
            if t.finger == 4
        ]
        return all(a == wanted[i % len(wanted)] for i, a in enumerate(found)) and bool(found)

    return promise


def both_strings_and_no_unison(step):
    doubles = [e for e in step.sounding if len(e.tones) == 2]
    return bool(doubles) and all(
        e.tones[0].pitch.midi != e.tones[1].pitch.midi
        and e.tones[1].finger == 0
        and e.tones[1].string == e.tones[0].string + 1
        for e in doubles
    )


def one_more_each_glide(step):
    kept = [event.kept for event in step.has("slide")]
    grows = [len(k) for k in dict.fromkeys(kept)]
    hand = (1, 2, 4) if step.instrument is Instrument.BASS else step.hand
    return len(set(grows)) == len(hand) and all(
        set(k) == {f for f in hand if f < e.tones[0].finger}
        for k, e in zip(kept, step.has("slide"), strict=True)
    )


def shifts(step):
    slides = step.has("slide")
    following = [(a.tones[0], b.tones[0]) for a, b in pairwise(step.sounding) if "slide" in a.marks]
    return bool(slides) and all(
        a.finger == b.finger and a.string == b.string and a.pitch != b.pitch for a, b in following
    )


def others_stay(*kept):
    """Some of these stay down, beside a finger that is none of them."""

    def promise(step):
        held = [event for event in step.sounding if event.kept]
        return bool(held) and all(
            set(event.kept) <= set(kept) and event.tones[0].finger not in event.kept
            for event in held
        )

    return promise


def drawn_back(step):
    places = {t.pitch.midi for e in step.sounding for t in e.tones if t.finger == 1}
    return len(places) == 2 and max(places) - min(places) == 1


def opens_upwards(step):
    firsts = {t.pitch.midi for e in step.sounding for t in e.tones if t.finger == 1}
    seconds = {t.pitch.midi for e in step.sounding for t in e.tones if t.finger == 2}
    return len(firsts) == 1 and len(seconds) == 2 and max(seconds) - min(seconds) == 1


def wide(step):
    """Two places that one hand does not span: more than the hand's own four fingers."""
    pitches = [e.tones[0].pitch.midi for e in step.sounding]
    steps = hand_of(step.instrument, 1, None)
    own = max(s for _, s in steps.values()) - min(s for _, s in steps.values())
    return set(step.heard) == {1, 4} and max(pitches) - min(pitches) > own


def lines_of(*bars):
    def promise(step):
        found = [[f for f in bar if f is not None] for bar in bars_of_fingers(step.drill)]
        return all(bar == list(bars[i % len(bars)]) for i, bar in enumerate(found))

    return promise


def slurred(count):
    def promise(step):
        return len(step.has("slur")) >= (count - 1) * len(step.sounding) // count - count

    return promise


def is_tune(step):
    """Told by its title; a bass tune may add that it goes from the half position."""
    title = step.drill.title.removesuffix(", half position")
    tune = next(t for t in CATALOGUE.tunes.values() if t.title == title)
    return step.drill.credit.endswith(tune.origin)


def the_others_sound(step):
    """The finger that is to be let go does not hold the long note."""
    return not step.fingers or step.fingers[0] not in step.heard


def with_first_and_third(step):
    return all(
        (1 in bar or 3 in bar or 4 in bar) and 0 in bar for bar in bars_of_fingers(step.drill)
    )


def fourth_then_lower(step):
    lower = 2 if step.instrument is Instrument.BASS else 3
    return step.heard == [4, lower] * (len(step.heard) // 2)


def echoes(step):
    heard = step.sounding
    return all(
        a.tones == b.tones and b.plucks == 4 for a, b in zip(heard[::2], heard[1::2], strict=True)
    )


def apart_from_its_rests(step):
    """Open for what is played, with time to close before the next."""
    return all(bar[-1] is None for bar in bars_of_fingers(step.drill))


def above_and_then_below(step):
    """The same fingers twice, first higher up the neck."""
    tones = [event.tones[0] for event in step.sounding]
    rounds = [tones[i : i + 8] for i in range(0, len(tones), 8)]
    return all(
        [t.finger for t in each[:4]] == [t.finger for t in each[4:]]
        and all(a.pitch.midi > b.pitch.midi for a, b in zip(each[:4], each[4:], strict=True))
        for each in rounds
    )


def ends_long(step):
    """A line whose last note is long enough to be swung."""
    lengths = [event.length for event in step.sounding]
    return len(set(step.heard)) > 1 and lengths[-1] == max(lengths) == Fraction(4)


def rest_before_the_fourth(step):
    events = [event for _, event in step.drill.events()]
    return 4 in step.heard and all(
        a.is_rest for a, b in pairwise(events) if b.tones and b.tones[0].finger == 4
    )


PROMISES = {
    ("swing_to_loosen", 1): [rests_between],
    ("swing_to_loosen", 2): [ends_long],
    ("upper_bout_first", 1): [above_and_then_below],
    ("upper_bout_first", 2): [above_and_then_below],
    ("roll_off_fourth", 2): [fourth_then_lower, others_stay(2, 3)],
    ("roll_off_fourth", 3): [fourth_then_lower, others_stay(2, 3)],
    ("elbow_up_fourth", 1): [only(1, 2, 4), rest_before_the_fourth],
    ("elbow_up_fourth", 2): [only(1, 2, 4), rest_before_the_fourth],
    ("elbow_up_fourth", 3): [only(1, 2, 4)],
    ("open_and_closed", 2): [only(1, 2, 4), apart_from_its_rests],
    ("open_and_closed", 3): [only(1, 2, 4), apart_from_its_rests],
    ("inner_pair", 3): [only(2, 3), others_stay(1)],
    ("three_four_apart", 4): [marked("slide"), plucked_by_some(4)],
    ("single_spot_glide", 3): [a_scale(1)],
    ("thumb_taps", 4): [a_scale(1, 2), taps_each_bar],
    ("index_far_side", 2): [silent_first],
    ("index_far_side", 3): [silent_first],
    ("index_far_side", 4): [first_comes_back],
    ("touch_and_rest", 1): [rests_between, others_stay(3, 2)],
    ("touch_and_rest", 2): [rests_between],
    ("touch_and_rest", 3): [rests_between],
    ("touch_and_rest", 4): [rests_between],
    ("finger_glides", 1): [one_more_each_glide],
    ("finger_glides", 2): [one_more_each_glide],
    ("finger_glides", 3): [one_more_each_glide],
    ("pressure_finder", 1): [only_target, on_strings(2)],
    ("pressure_finder", 2): [only_target, on_strings(0, 1, 2, 3)],
    ("pressure_finder", 3): [a_scale(1, 2)],
    ("fall_and_let_go", 1): [slurred(2)],
    ("fall_and_let_go", 2): [slurred(2)],
    ("fall_and_let_go", 3): [slurred(4)],
    ("loose_neighbours", 1): [the_others_sound],
    ("loose_neighbours", 2): [the_others_sound],
    ("loose_neighbours", 3): [the_others_sound],
    ("breath_and_bow", 1): [only(0)],
    ("stands_alone", 3): [only(0)],
    ("thumb_answers", 1): [marked("tap"), rests_between],
    ("four_stations", 3): [any_order_of_strings],
    ("arm_leads_change", 1): [over_four_strings],
    ("arm_leads_change", 2): [over_four_strings],
    ("arm_leads_change", 3): [over_four_strings],
    ("hand_frame_set", 2): [lines_of([1, 2, 3])],
    ("fourth_first", 1): [fourth_leads],
    ("fourth_first", 2): [fourth_leads],
    ("fourth_first", 3): [fourth_leads],
    ("lean_to_fourth", 1): [lines_of([0, 1, 3, 4], [4])],
    ("lean_to_fourth", 2): [lines_of([0, 1, 3, 4], [4])],
    ("lean_to_fourth", 3): [lines_of([0, 1, 3, 4], [4])],
    ("knuckles_in_out", 2): [both_strings_and_no_unison],
    ("ringing_neighbour", 1): [both_strings_and_no_unison],
    ("ringing_neighbour", 2): [both_strings_and_no_unison],
    ("ringing_neighbour", 3): [both_strings_and_no_unison],
    ("base_leaves_neck", 1): [both_strings_and_no_unison],
    ("base_leaves_neck", 3): [both_strings_and_no_unison],
    ("two_homes", 1): [wide],
    ("two_homes", 2): [wide],
    ("hang_and_draw", 2): [a_scale(1, 1)],
    ("thumb_travels", 2): [shifts, marked("tap")],
    ("just_enough", 1): [only_target, on_strings(2)],
    ("just_enough", 2): [only_target, on_strings(0, 1, 2, 3)],
    ("just_enough", 3): [mostly_target],
    ("carry_frame", 1): [drawn_back],
    ("carry_frame", 2): [drawn_back],
    ("carry_frame", 3): [drawn_back],
    ("turn_to_open", 1): [drawn_back],
    ("turn_to_open", 2): [drawn_back],
    ("turn_to_open", 3): [drawn_back],
    ("open_upwards", 1): [opens_upwards],
    ("open_upwards", 2): [opens_upwards],
    ("open_upwards", 3): [opens_upwards],
    ("light_shift", 1): [shifts],
    ("light_shift", 2): [shifts],
    ("light_shift", 3): [shifts],
    ("weight_higher_up", 1): [shifts],
    ("third_after_fourth", 1): [fourth_then_lower],
    ("own_open_string", 1): [with_first_and_third],
    ("own_open_string", 2): [with_first_and_third],
    ("soft_shape", 2): [only_target],
    ("soft_shape", 3): [mostly_target],
    ("feather_to_floor", 2): [only_target],
    ("feather_to_floor", 3): [only_target],
    ("feather_to_floor", 4): [mostly_target],
    ("stop_and_shape", 1): [is_tune, stops_before_target],
    ("stop_and_shape", 2): [is_tune, stops_before_target],
    ("stop_and_shape", 3): [is_tune, begins_on(3)],
    ("stop_and_shape", 4): [is_tune, begins_on(4)],
    ("stop_and_shape", 5): [is_tune, unmarked("stop")],
    ("fourth_plucks", 1): [plucked_by(4), eight_and_eight],
    ("fourth_plucks", 2): [plucked_by(4), on_strings(0, 1)],
    ("fourth_plucks", 3): [plucked_by(4), on_strings(0, 1)],
    ("fourth_plucks", 4): [plucked_by(4), on_strings(3)],
    ("all_plucks", 2): [plucked_by()],
    ("all_plucks", 3): [plucked_by(), on_strings(0, 1)],
    ("fourth_with_friends", 1): [plucked_by(4), on_strings(3), others_stay(1, 2)],
    ("fourth_with_friends", 2): [plucked_by(4), on_strings(3, 2)],
    ("fourth_with_friends", 3): [plucked_by(4), on_strings(3, 2)],
    ("plucked_echo", 1): [echoes],
    ("plucked_echo", 2): [echoes],
    ("low_high_fourth", 1): [near_and_far(6)],
    ("low_high_fourth", 2): [near_and_far(7)],
    ("low_high_fourth", 3): [near_and_far(6, 7), others_stay(1, 3)],
    ("low_high_fourth", 4): [near_and_far(6, 7)],
    ("fourth_slide", 1): [only(4), marked("slide")],
    ("fourth_slide", 2): [only(4), marked("slide")],
    ("three_four_apart", 2): [only(3, 4), others_stay(3)],
    ("two_and_four", 1): [only(2, 4), slurred(2)],
    ("two_and_four", 2): [only(2, 4), slurred(4)],
    ("trill_bursts", 1): [quick(4)],
    ("trill_bursts", 2): [quick(6)],
    ("trill_bursts", 3): [quick(8)],
    ("finger_before_bow", 1): [rest_before_each],
    ("finger_before_bow", 2): [rest_before_each],
    ("finger_before_bow", 3): [rest_before_each],
    ("lands_on_the_breath", 1): [rest_before_each],
    ("lands_on_the_breath", 2): [rest_before_each],
    ("lands_on_the_breath", 3): [rest_before_each],
    ("easy_melody", 1): [is_tune, marked("stop")],
    ("easy_melody", 2): [is_tune, unmarked("stop")],
    ("loose_vibrato", 1): [one_finger],
    ("loose_vibrato", 3): [one_finger],
    ("tune_for_the_hand", 1): [is_tune, marked("stop")],
    ("open_string_line", 1): [only(0)],
    ("open_string_line", 2): [only(0)],
}
