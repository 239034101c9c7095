"""Parts: recipe of features or STEP file → solid → faces, edges and recognised features."""
