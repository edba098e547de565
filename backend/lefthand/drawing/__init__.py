"""The drawn hand: a left hand on its neck, made from joint angles, as lines and areas.

posture   what was seen, as changes of a hand at ease
skeleton  the joints in space; what is down stays on its string
solids    flesh as round cones, wood as convex bodies
sight     what of it is seen from where
outlines  lines and areas
places    where on the picture a place is touched
"""
