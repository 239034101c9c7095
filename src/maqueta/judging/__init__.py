"""Judging a sheet: survey, findings, points, scope, report; criteria in a folder of their own."""
