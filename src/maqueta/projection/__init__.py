"""Views of a part: attitudes, hidden lines, line sets, arrangement and front-view ranking."""
