### Why a part cannot be used, what became of its file, and how far work on it is.

feature-at-fault = feature { $number } “{ $name }”: { $reason }
size-at-fault = size “{ $name }”: { $reason }
as-written = { $text }

## Features of a recipe

feature-name-taken = another feature has this name already
kernel-could-not-make-it = the geometry kernel could not make it
every-feature-suppressed = every feature is suppressed: nothing is left of the part
part-in-pieces = the part falls into { $pieces } pieces
first-adds-material = the first feature must add material
cuts-nothing = it cuts nothing: it lies outside the part
adds-nothing = it adds nothing: it lies inside the part
result-not-valid = the result is not a valid solid
nothing-left = nothing of the part is left
no-earlier-feature = there is no earlier feature “{ $name }”
edges-too-small = { PLAIN($amount) } is too large for the edges chosen
no-edge-between = no edge lies between the sides { $first } and { $second }
no-edge-near = no edge lies near ({ PLAIN($x) }, { PLAIN($y) }, { PLAIN($z) })
profile-crosses-axis = the profile crosses the axis: a radius is negative
step-without-size = the step has no size
counterbore-too-narrow = the counterbore is no wider than the hole
countersink-too-narrow = the countersink is no wider than the hole
slot-runs-inwards = a slot runs across the direction it is sunk in
slot-too-short = a slot with round ends is longer than it is wide
edge-sides-alike = the two sides of an edge lie along different axes
hole-mouth-twice = a hole has a counterbore or a countersink, not both
rib-legs-alike = the two legs of a rib lie along different axes
repeat-step-or-about = give either a step or an axis to turn about
range-half = a range needs both its ends, low and high
range-empty = its range is empty

## Profiles

corner-before-arc = corner { $corner } is followed by an arc: only a corner between two lines can be rounded
corner-on-straight-line = corner { $corner } lies on a straight line and cannot be rounded
corner-radius-too-large = the radius { PLAIN($radius) } of corner { $corner } is too large for its lines
profile-repeats-point = the profile repeats a point
profile-without-area = the profile encloses no area
profile-crosses-itself = the profile crosses itself
arc-in-one-line = the three points of an arc lie in one line

## Sizes as people write them

expression-too-long = an expression may have at most { $most } characters
expression-unreadable = “{ $text }” cannot be read as a size
expression-divides-by-zero = “{ $text }” divides by zero or is too large
expression-not-finite = “{ $text }” is not a finite size
expression-of-sums-only = only numbers, names, + − × ÷ and brackets can be used
no-size-called = there is no size called “{ $name }”
two-sizes-called = there are two sizes called “{ $name }”

## Files

part-file-too-large = the file is larger than { $most } MB
no-part-file = a part is a .step or .stp file, or a recipe in a .json file
not-json = it is not JSON ({ $reason })
no-step-file = this is not a STEP file: the heading ISO-10303-21 is missing
step-unusable-numbers = the STEP file has coordinates that are no usable numbers
step-damaged = the STEP file cannot be read: its contents are damaged
step-without-shape = the STEP file holds no shape
step-without-solid = the STEP file holds no solid, only surfaces or curves
step-not-written = the STEP file could not be written
step-solid-broken = { $which ->
        [0] the solid
       *[other] solid { $which }
    } in the STEP file is broken: it fails the geometry kernel's check and cannot be healed
step-solid-healed = { $which ->
        [0] the solid
       *[other] solid { $which }
    } failed the geometry kernel's check and was healed
step-read = { $solids ->
        [one] one solid
       *[other] { $solids } solids
    } with { $faces ->
        [one] one face
       *[other] { $faces } faces
    }
step-unit-missing = written in no unit, read as millimetres
step-unit = written in { $unit }{ $read ->
        [as-mm] , read as millimetres
       *[as-it-is] {""}
    }
step-joined = { $surfaces } separate surfaces were joined into { $solids ->
        [one] one closed solid
       *[other] { $solids } closed solids
    }
step-loose = { $surfaces ->
        [one] one surface
       *[other] { $surfaces } surfaces
    } outside any solid
step-faces-joined = { $before } faces became { $after }: neighbours on one surface are one face

## Solids

no-solid-in-it = there is no solid in it, only surfaces or curves
solid-without-volume = the solid encloses no volume
solid-endless = the solid reaches to where no number can tell
solid-of-no-use = the solid is { PLAIN($size) } { $unit } large; parts are between { PLAIN($least) } and { PLAIN($most) } { $unit }
solid-too-far-away = the solid lies too far from the origin
attitude-along-one-axis = the side { $side } and up { $up } lie along one axis

## Work in other processes

took-too-long = it took longer than { $seconds } seconds and was stopped
kernel-failed = the geometry kernel failed on it
needs-more-memory = it needs more memory than it may take
could-not-be-examined = it could not be examined ({ $error })
file-is-kept = { $reason }; your file is kept
reading-file = reading the file
drawing-view = drawing view { $number } of { $of }
making-card-model = making the card model
part-is-ready = ready
part-is-gone = the part is gone
examination-never-ended = it was begun several times and never finished; try it again, or another file
examination-stopped = the examination was stopped
job-cancelled = cancelled
checking-never-ended = the sheets keep their findings; checking them again never came to an end
checking-sheet-again = checking sheet { $number } of { $of } again
sheets-checked-again = checked again: { $number } of { $of } sheets
cut-misses = the cutting line does not meet the part
cut-along-face = the cutting line runs along a face of the part and cuts nothing
cut-fails = the part cannot be cut there
cut-without-length = a leg of the cutting line has no length
cut-crosses-itself = the cutting line crosses itself
no-flank = this face has no parallel one behind it and runs round no solid bar: it is neither a flank of a rib nor a spoke
no-body-of-it = this face is of no body that could be left whole: the part is all one

## Assemblies

fit-flat-faces = laid against each other are two flat faces
fit-round-faces = on one axis are two round faces: of cylinders, cones or rings
assembly-axes = these axes do not turn the part: they are not square to each other and of length 1, or they mirror it
refit-other-form = { $name } has another form in these sizes: its faces cannot be matched
refit-no-contact = { $first } and { $second } no longer touch where they did
refit-other-fit = { $first } (⌀{ $one }) and { $second } (⌀{ $other }) no longer fit as they did
refit-overlap = { $first } and { $second } overlap in these sizes
assembly-twice = there are two components { $id }
assembly-units = { $name } is in { $unit ->
    [inch] inches
   *[mm] millimetres
} and the assembly in { $units ->
    [inch] inches
   *[mm] millimetres
}
assembly-too-deep = the assembly has more than { $most } levels
assembly-too-many = an assembly has up to { $most } components; this one has more
step-no-solid-in = “{ $name }” has no solid and is left out
step-assembly = read as an assembly of { $components } components, of { $parts ->
    [one] { $parts } part
   *[other] { $parts } parts
}
assembly-damaged = the document of the assembly cannot be read
assembly-out-of-reach = a component is mirrored, or stands too far away
