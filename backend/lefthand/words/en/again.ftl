# What is asked again by name, and what a week waits for meanwhile.

again-last-time = Last time: { $what }
again-at-home = At home: { $what }
again-told = { $place }, { $pain } of 10
again-less = { $place }, less than before
again-more = { $place }, more than before
again-tired = tired into the next day
again-ask-places = first ask how it is now: { $places }
again-ask-pain = first ask whether it hurts

# A place by itself, where no sentence stands around it.
spot = { $place-id ->
    [skin] fingertip skin
    [fingers] fingers
    [thumb] thumb
    [hand] hand
    [wrist] wrist
    [forearm] forearm
    [elbow] elbow
    [upper-arm] upper arm
    [shoulder] shoulder
    [neck] neck
    [back] back
   *[somewhere] something
 }
