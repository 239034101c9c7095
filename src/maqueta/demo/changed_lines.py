"""Changes to the lines of a view that is drawn by hand, each a mistake."""

from maqueta.sheet.drafted_line import Drafted, DraftedLine


def _length(line: Drafted) -> float:
    if not isinstance(line, DraftedLine):
        return 0.0
    (x, y), (u, v) = line.points[0], line.points[-1]
    return abs(u - x) + abs(v - y)


def _longest_inside(lines: list[Drafted], pen: str) -> int:
    """The number of a straight line that is long, but none of the longest, which are the outline."""
    order = sorted((n for n, line in enumerate(lines) if line.pen == pen), key=lambda n: -_length(lines[n]))
    return order[min(4, len(order) - 1)]


def without_one_line(lines: list[Drafted]) -> list[Drafted]:
    """The lines without a visible one."""
    gone = _longest_inside(lines, "visible")
    return [line for number, line in enumerate(lines) if number != gone]


def with_one_line_more(lines: list[Drafted]) -> list[Drafted]:
    """The lines with one that is no edge."""
    points = [point for line in lines if isinstance(line, DraftedLine) for point in line.points]
    left, right = min(x for x, _ in points), max(x for x, _ in points)
    bottom, top = min(y for _, y in points), max(y for _, y in points)
    third = (right - left) / 3
    low, high = bottom + 0.08 * (top - bottom), bottom + 0.2 * (top - bottom)
    return [*lines, DraftedLine(points=((left + third, low), (right - third, high)))]


def with_one_line_moved(lines: list[Drafted]) -> list[Drafted]:
    """The lines with a visible one off its place."""
    number = _longest_inside(lines, "visible")
    line = lines[number]
    assert isinstance(line, DraftedLine), "a straight line was chosen"
    upright = abs(line.points[0][0] - line.points[-1][0]) < 1e-6
    dx, dy = (2.0, 0.0) if upright else (0.0, 2.0)
    lines[number] = line.model_copy(update={"points": tuple((x + dx, y + dy) for x, y in line.points)})
    return lines


def with_one_line_of_another_kind(lines: list[Drafted]) -> list[Drafted]:
    """The lines with a visible one drawn as hidden."""
    number = _longest_inside(lines, "visible")
    lines[number] = lines[number].model_copy(update={"pen": "hidden"})
    return lines


def hidden_drawn_solid(lines: list[Drafted]) -> list[Drafted]:
    """The lines with the hidden ones drawn without dashes."""
    return [line.model_copy(update={"solid": True}) if line.pen == "hidden" else line for line in lines]
