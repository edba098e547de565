# Values of which there are a few, as they stand inside a sentence.

count-1 = one
count-2 = two
count-3 = three
count-4 = four
count-5 = five
count-6 = six
count-7 = seven
count-8 = eight
count-9 = nine
count-10 = ten

place-skin = the fingertip skin
place-fingers = the fingers
place-thumb = the thumb
place-hand = the hand
place-wrist = the wrist
place-forearm = the forearm
place-elbow = the elbow
place-upper-arm = the upper arm
place-shoulder = the shoulder
place-neck = the neck
place-back = the back
place-somewhere = something

likelihood-very-likely = very likely
likelihood-likely = likely
likelihood-possible = possible
likelihood-unlikely = unlikely

level-beginner = beginner
level-intermediate = intermediate
level-advanced = advanced

thing-pencil = a pencil
thing-rod = a light stick

causeword-not-seen = not likely
causeword-gone = gone
causeword-clearly-less = clearly less
causeword-probably-less = probably less
causeword-no-clear-change = no clear change
causeword-stuck = stuck
causeword-more = more
causeword-back = look again
causeword-ruled-out = ruled out by you

changeword-gone = gone
changeword-clearly-less = clearly less
changeword-probably-less = probably less
changeword-no-clear-change = no clear change
changeword-more = more

# A place on the neck: the string by its letter, the position of the hand.
on-neck = on the { $string } string, { $position ->
    [1] first
    [2] second
    [3] third
    [4] fourth
   *[5] fifth
} position
