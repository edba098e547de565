# What a take of a drill tells, and two beside each other. Numbers are rounded as they are said.

take-too-quiet = The take is too quiet. Go nearer to the microphone, or turn it up.
take-clipped = The take is too loud and cut off at the top. Go farther from the microphone.
take-unvoiced = Too little of the take has a clear pitch. Is one player playing this?
take-lost = More than two of its notes could not be found.
take-other = This does not sound like the music that was asked for.
take-room = The room sings on for too long. Try a smaller room, or go nearer.

slip-twice = { $notes ->
    [one] One note twice
   *[other] Notes twice
 }, { bars-of }.
slip-left-out = { $notes ->
    [one] One note left out
   *[other] Notes left out
 }, { bars-of }.
slip-stopped = { $notes ->
    [one] The line stopped once
   *[other] The line stopped
 }, { bars-of }.
bars-of = { $bars ->
    [one] bar
   *[other] bars
 } { $where }

sound-off = { $cents } { $cents ->
    [one] cent
   *[other] cents
 } { $side ->
    [low] low
   *[high] high
 }
sound-fourth-unclear = Too few notes of the fourth were clear: play it once more.
sound-fourth-in-tune = The fourth is in tune, give or take { $give } cents.
sound-fourth-off = The fourth is { $off }, give or take { $give }.
sound-together-unclear = Too few notes with a bow of their own were clear: play it once more, a bow for each note.
sound-together = Fingers are there when the bow begins, as far as can be told: within { $ms } thousandths of a second.
sound-late = The { $finger } comes { $ms } thousandths of a second after the bow, give or take { $give }.
sound-late-at-times = The { $finger } comes after the bow in { $share } % of its notes; in the others it is there.
sound-no-vibrato = No vibrato could be heard.
sound-none-held = No note was held for long enough.
sound-swing-alike = All fingers swing alike, about { $cents } cents wide.
sound-no-vibrato-on = No vibrato on the { $finger }; the others swing { $cents } cents.
sound-swings-less = The { $finger } swings { $cents } cents wide, { $share } % of the other fingers.
sound-ring-unclear = It cannot be told here whether the open string rings.
sound-rings = The open string rings beside every finger.
sound-silent = The open string is silent beside the { $silent }.
sound-partly = The open string is only part of the time beside the { $partly }.
sound-silent-and-partly = The open string is silent beside the { $silent }, only part of the time beside the { $partly }.
sound-never-broke = The tone never broke: lighten until it does.
sound-clear-at = The { $finger } still sounds clear at { $share } % of its usual weight.
sound-tightens-unclear = Too few notes to tell where it tightens.
sound-tightens-not = It does not tighten before the end.
sound-tightens = It tightens after { $share } % of the passage.
sound-even-unclear = Too few slurred steps were clear to tell how even it is.
sound-even = Even, as far as can be told at this speed ({ $least } %).
sound-uneven = Notes come { $spread } % early or late, give or take { $give }.
sound-uneven-pair = Notes come { $spread } % early or late, give or take { $give }, most between { $one } and { $other }.

sound-two = { START($parts) }.
sound-two-too-fast = The fast take was too fast to be measured.
sound-two-alike = The fast take was hardly faster than the slow one: play it once more.
sound-as-even = as even fast as slow
sound-less-even = less even when fast, by { $percent } %, give or take { $give }
sound-perhaps-less-even = perhaps less even when fast, by { $percent } %, give or take { $give }
sound-keep-place = { $fingers } { $count ->
    [one] keeps its
   *[other] keep their
 } place
sound-sink = { $fingers } { $count ->
    [one] sinks
   *[other] sink
 } by { $cents } cents, give or take { $give }
sound-perhaps-sink = { $fingers } perhaps { $count ->
    [one] sinks
   *[other] sink
 } by { $cents } cents, give or take { $give }

beside-nothing = Nothing changed that can be told from chance.
beside-up = the { $finger } went up by { $cents } cents and is { $now }
beside-down = the { $finger } went down by { $cents } cents and is { $now }
beside-in-tune = in tune
beside-more-even = more even by { $percent } %
beside-less-even = less even by { $percent } %
beside-vibrato = { $finger }: vibrato { $before } cents wide before, { $now } now
beside-tightened-before = it tightened after { $before } % of it before, now not at all
beside-tightens-now = it did not tighten before, now after { $now } % of it
beside-tightens = it tightens after { $before } % of it before, { $now } % now
beside-muted = { $finger }: the open string beside it rings for { $before } % of the note before, { $now } % now
beside-late = { $finger }: after the bow in { $before } % of its notes before, { $now } % now
beside-pressed = { $finger }: it sounds with { $before } % of its weight before, { $now } % now
