# Two pictures of one hand: what changed from one to the other.

moved-nothing = Nothing moved that the points can tell: { $parts }.
moved-by = Changed by { $by } degrees (under { $give } may be chance): { $part }.
moved-height = Changed by { $by } hundredths of its first bone (under { $give } may be chance): { $part }.
moved-unknown = These points tell nothing that both pictures have.
moved-part-wrist-line = the line of the wrist
moved-part-thumb-opening = the opening beside the thumb
moved-part-gap = the gap { $of }
moved-part-tip-angle = the fingertip joint of finger { $of }
moved-part-middle-angle = the middle joint of finger { $of }
moved-part-base-height = the height of base knuckle { $of }
moved-leans = A bone points at the camera: under { $give } degrees no change can be told of { $part }.
