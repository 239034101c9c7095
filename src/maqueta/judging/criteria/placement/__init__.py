"""Criterion placement: can the dimensions be read?"""
