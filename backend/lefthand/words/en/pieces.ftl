# What is said of a player's own music that was read. $first is the number of a bar, as printed.

piece-played-out = With its repeats and jumps { $bars } bars are played: { $minutes } min { $seconds } s at this tempo.
piece-repeats-too-many = Its repeats are too many to play out: each bar counts once.
piece-two-voices = { $count ->
    [one] Bar { $first } has two voices
   *[other] { $count } bars have two voices, the first of them bar { $first }
 }: both are read as played by one hand. Where two players share them, leave such bars out.
