# Why an exercise is not given now.

eased-kind = only release and placement
eased-stretch = no stretch
eased-hold = no still hold
rule-eased = easing off ({ $because }): { $against }

pain-anything = { $hurt }: not while anything hurts
pain-loads = { $hurt }: nothing that loads it

rule-loose-nudge = joints may be loose: nobody sets them by hand
rule-loose-stretch = joints may be loose: no stretch
rule-joints-first = look at loose joints first: { $seconds } s
rule-loosen-only = your way of teaching gives no strength work
rule-strength-likely = strength waits while this is likely: { $cause }
rule-strength-focus = strength waits a week after this was the focus: { $cause }
rule-not-while = not while this is { $word }: { $cause }
rule-not-while-shows = not while this shows: { $evidence }
rule-step-first = first pass a step of: { $exercise }
rule-age = not under { $years } years
rule-long-hold = no long quiet hold under { $years } years
rule-still-hold = no still hold over { $seconds } s under { $years } years
rule-level = for { $level } players
rule-next-level = its next step is for { $level } players
rule-may-fall = the instrument may fall: only in the lesson, with your hand below
rule-needs-carrying = the hold is not safe yet: thumb work only with a helper, or with it on the lap
rule-helper = needs a helper at home
rule-thing = needs { $thing }
rule-finished = every step of it is passed

apart-hurt-twice = it hurt twice: only by your word
apart-hurt = it hurt: { COUNT($weeks) } weeks without pain first, { $days ->
    [one] { $days } day
   *[other] { $days } days
 } more
apart-failed = it failed in { COUNT($lessons) } lessons: { COUNT($weeks) } weeks of something else, { $days ->
    [one] { $days } day
   *[other] { $days } days
 } more
