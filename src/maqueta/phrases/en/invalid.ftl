### What is wrong with data that does not validate.

value-at = { $where }: { $what }
value-missing = this is missing
value-unknown = nothing of this name is known
value-not-above = it should be more than { PLAIN($bound) }
value-below = it should be { PLAIN($bound) } or more
value-not-below = it should be less than { PLAIN($bound) }
value-above = it should be { PLAIN($bound) } or less
value-not-finite = it should be a finite number
value-no-number = it should be a number
value-too-short = it should have { $bound ->
        [one] one character
       *[other] { $bound } characters
    } or more
value-too-long = it should have { $bound ->
        [one] one character
       *[other] { $bound } characters
    } or less
values-too-few = there should be { $bound } of them or more
values-too-many = there should be { $bound } of them or fewer
value-not-offered = it is none of what can be chosen here
value-not-of-this-form = it is not written in the way that is wanted here

## Sheets

frame-without-size = a frame is wider and higher than nothing
too-many-drafted-lines = a sheet has at most { $most } drafted lines
too-many-points = the curves of a sheet have at most { $most } points
same-id-twice = { $thing ->
        [view] two views have the same id
        [dimension] two dimensions have the same id
        [mark] two marks have the same id
        [cutting-line] two cutting lines have the same id
        [circled-region] two circled regions have the same id
        [sight-arrow] two arrows have the same id
        [balloon] two balloons have the same id
        [trail] two trails have the same id
       *[note] two notes have the same id
    }
view-not-on-sheet = “{ $id }” belongs to a view “{ $view }” that is not on the sheet
parent-not-on-sheet = “{ $id }” is folded out from a view “{ $view }” that is not on the sheet
parent-cannot-unfold = “{ $id }” is folded out from “{ $view }”, of which no view can be folded out
view-from-itself = “{ $id }” is folded out from itself
frame-not-square = a frame has three rows of length 1, square to each other, right-handed
unrecognised-with-look = an unrecognised view has lines and no look
component-of-another-kind = only pictorial views show one component
too-many-views = a sheet has at most { $most } views
no-assembly-to-show = the part is no assembly: there are no parts to pull apart or to list
component-unknown = the assembly has no component “{ $name }”
look-of-another-kind = { $kind ->
        [principal] principal views look by side and up
        [auxiliary] auxiliary views look by a frame
        [section] sections look by a frame
        [detail] details look by a frame
       *[pictorial] pictorial views look from a corner
    }
cut-of-another-kind = { $kind ->
        [section] a section has a cut and no clip
        [detail] a detail has a clip
       *[other] only sections have a cut, only details a clip
    }
cut-corners = a cutting path of the form “{ $form }” has from { $least } to { $most } corners
cut-across-not-square = the direction a cutting line is seen from has length 1 and is square to the reader’s
hatched-by-program = only a view drawn by hand has areas hatched by hand
shown-one-direction = what an auxiliary view shows is told by a normal, or by a direction along edges
direction-without-length = a direction has a length
arrow-without-way = an arrow points somewhere
clip-without-size = the region of a detail has a radius, or an outline of three corners and more that does not cross itself
shading-of-drawn-views = only a pictorial view that the program draws is shaded
pictorial-with-parent = a pictorial view is folded out from no other

## Exercises

views-left-without-third = views are left to draft only where a third view is to be completed
lines-changed-without-faults = lines are changed only where missing or wrong lines are to be found
lines-only-removed = where missing lines are to be added, lines are only removed
part-hidden-without-views = the part can only be hidden where views are given
scale-as-ratio = write the scale as 1:2 or 2:1
view-asked-twice = every view is asked for once
form-field-twice = “{ field-name }” has two places on the sheet form
form-of-other-paper = the sheet form is for { $paper }, the sheet is another paper
form-without-field = the sheet form has no place for “{ field-name }”, which the exercise asks for
no-title-field = “{ $field }” is no field of the title block
view-not-asked-for = { the-view } is not among the views asked for
no-view-given = at least one view has to be given
no-special-view-asked = say which section, detail or auxiliary view is left to draw
no-special-view-left = nothing is left to draw: the given views show it already, or the part has nothing of the kind
no-line-to-change = { the-view } has no line at { PLAIN($x) }, { PLAIN($y) } to be changed
lines-fit-no-view = these lines cannot be laid on { the-view }

## People and days

password-too-plain = a password needs at least four different characters
beyond-end-of-time = this is beyond the end of time
day-out-of-range = give a day in this century or the next
