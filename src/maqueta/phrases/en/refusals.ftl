### Why something cannot be done, in answer to a request.

no-such-address = There is no such address.
interface-not-built = The interface has not been built. Run scripts/start.
answer-after-return = The model answer can be seen once your sheet is returned.
left-to-you = This exercise leaves that to you.
not-returned-yet = The sheet is not returned yet.
no-model-to-show = There is no model to show this on.
no-view-to-hand-in = There is no view on the sheet yet. Nothing was handed in; your draft is kept.
exercise-closed = The exercise is closed; what was kept before counts. This browser still has what you have drawn.
attempt-under-way = Your sheet is still under way.
no-attempt-left = You have no attempt left in this exercise.
more-than-there-are = There are { $most } points at most.
no-such-rule = There is no rule called { $rule }.
grades-must-fall = Grades go from the best to the worst: every step takes less than the one before.
lowest-grade-from-nothing = The last grade is for all the rest: it begins at nothing.
determined-by-now = That is determined by now.
no-drafted-view = There is no drafted view of this name on the sheet.
no-proposal = No dimensions can be proposed: { $reason }.
no-front-yet = There is no front view on the sheet yet.
no-scale-with-room = No recommended scale leaves room for dimensions on this paper.
whose-sheet-varied = the part has sizes of its own for every student: say whose sheet this is
whose-sheet-unknown = neither the file’s name nor its title block tells whose sheet it is
whose-sheet-two = the file’s name tells { $file }, the title block { $title }: say whose sheet it is
already-handed-in = already handed in; that sheet is as it was
sheet-begun-here = has begun a sheet here; it is as it was
sheet-file-too-large = The file is too large for a sheet.
draft-file-refused = { $file }: { $reason }. Your draft is as it was.
no-such-student = There is no such student in the class.
no-such-sheet-in-set = There is no such sheet in the set.
title-block-blank = Nothing stands in the title block of this sheet yet.
closes-before-it-opens = It closes before it opens.
own-sizes-stay = Everybody has sizes of their own already, from the part as it was. Copy the exercise to use the newer part.
class-of-another = Another instructor has made this class and shares it with you; only they can do that.
password-by-administrator = This account was made by an administrator, who can give it a new password.
file-too-large-for-roster = The file is too large for a roster.
roster-out-of-date = Somebody else has taken one of these log-in names meanwhile. Nobody was brought in; look at the roster once more.
roster-row = Row { $line }: { $reason }
roster-no-name = there is no name
roster-no-log-in = “{ $login }” cannot be a log-in name: three to sixty small letters, figures, dots and hyphens
roster-no-email = “{ $email }” is no e-mail address
roster-twice = the same log-in name as in row { $line }
roster-no-student = “{ $login }” is the log-in name of somebody who is no student, or whose account is closed
roster-is-called = this account is called { $name }
no-table = This is neither CSV nor XLSX, or it is damaged.
table-too-long = The table is longer than { $most } rows.
no-such-instructor = No instructor has the log-in name { $login }.
no-such-code = No class has this code. Ask your instructor for it once more.
file-refused = { $file }: { $reason }.
no-original = This sheet was not read from a file.
no-such-view = There is no such view on the sheet.
nothing-changed = Nothing was changed: { $reason }.
drafted-by-hand = To be drafted by hand: { $views }. Your draft is as it was.
changes-need-one-size = Lines can be changed only on a part that has the same sizes for everybody.
ranges-give-no-part = The ranges of its sizes give no valid part: { $reason }.
no-ranges = There are no sizes with a range here. Give some in the builder, or set it as it is.
no-part-in-ranges = No valid part could be made in the ranges of its sizes: { $reason }.
exercise-cannot-be-set = The exercise cannot be set: { $reason }.
no-such-page = There is no such page.
too-many-followed = You are following too many uploads at once.
job-ended = This has ended already: { $reason }.
checked-again = This sheet has been checked again meanwhile. Look again, then decide.
marks-settled = This sheet is returned; its marks are settled.
decided-meanwhile = Somebody has decided this meanwhile: it is { $stands ->
        [upheld] upheld
        [waived] waived
       *[open] left open
    }. Look again, then decide.
remark-settled = This sheet is returned; its remark is settled.
too-many-attempts = Too many failed attempts. Wait ten minutes and try again.
wrong-password = That name and password do not go together.
not-your-password = That is not your password. Nothing was changed.
same-password = That is the password you have. Choose another one.
own-password = You can change your own password yourself.
own-account = You cannot close your own account.
own-account-anonymous = You cannot make your own account anonymous.
log-in-taken = The log-in name “{ $login }” is taken.
step-has-no-features = This part came as a STEP file: it has no features to edit.
part-cannot-be-drawn = This part cannot be drawn so: { $reason }.
part-known-by-views = In this exercise the part is known from its views alone.
part-being-examined = This part is still being examined.
no-picture-yet = This part has no picture yet.
no-check-left = This exercise allows no further check before handing in.
lines-left-to-you = In this exercise the lines are for you to draw.
part-file-kind = A part is a .step or .stp file, or a recipe in a .json file.
file-too-large = The file is too large.
file-empty = The file is empty.
not-refused = This part is not refused; there is nothing to try again.
copy-when-ready = Only a part that is ready can be copied.
part-not-ready = This part is not ready.
position-when-ready = This part is not ready; its position can be set once it is.
part-not-written = The part could not be written as such a file: { $reason }.
not-logged-in = You are not logged in, or your session has ended. What you drew is kept here.
page-out-of-date = This page is out of date. Reload it and try again.
choose-password-first = Choose a password of your own first.
part-not-ready-because = This part is not ready: { $reason }.
full-house = Very many people are asking just now. Nothing was changed; try again.
no-such-thing = There is no such thing here.
already-anonymous = Nobody knows any more whose account this was.
work-given-up = The work was given up. Nothing was changed; try again in a moment.
beyond-what-is-kept = A number or a text in the request is larger than can be kept. Nothing was changed.
request-too-large = That is too large: at most { $most } MB can be taken. Nothing was changed.
changed-in-another-tab = This sheet was changed in another tab. What you have here is not lost; choose which one to keep.
files-away = The place where files are kept does not answer just now. Nothing was changed; try again in a moment.
database-away = The database does not answer just now. Nothing was changed; try again in a moment.
kept-is-unreadable = What is kept here cannot be read any more: { $reason }.
request-invalid = { $where ->
        [nowhere] The request
       *[other] { $where }
    }: { $reason }. Nothing was changed.
part-not-ready-yet = This part is not ready: it is still being examined.
cannot-be-worked-on = { $what ->
        [sheet] This sheet cannot be worked on: { $reason }.
       *[part] This part cannot be worked on: { $reason }.
    }
part-cannot-be-built = { CAPITAL($reason) }. Nothing was kept.
feature-cannot-be-built = Feature { $number }: { $reason }. Nothing was kept.
something-went-wrong = Something went wrong here. Nothing was changed. If it happens again, tell this number: { $number }.

## Assemblies

assembly-part-not-there = { $name } is not on your shelf, or not ready yet.
assembly-within = { $name } is an assembly itself: put its parts in one by one.
assembly-not-put-together = This cannot be put together: { $reason }.
no-assembly = This is a part, not an assembly.
no-such-component = There is no { $id } in this assembly.
fit-itself = A component is put against another one, not against itself.
