# What is said of a player's own music that was read. $first is the number of a bar, as printed.

piece-played-out = With its repeats and jumps { $bars } bars are played: { $minutes } min { $seconds } s at this tempo.
piece-repeats-too-many = Its repeats are too many to play out: each bar counts once.
piece-two-voices = { $count ->
    [one] Bar { $first } has two voices
   *[other] { $count } bars have two voices, the first of them bar { $first }
 }: both are read as played by one hand. Where two players share them, leave such bars out.

# What a piece may ask more of. $finger is a finger by name.
theme-finger = work for the { $finger }
theme-reach = reaches
theme-speed = speed
theme-shifts = shifts
theme-positions = high positions
theme-double-stops = double stops and ringing strings
theme-strings = lower strings and string changes
theme-letting-go = holding on
theme-vibrato = long notes
theme-entries = entries after rests
