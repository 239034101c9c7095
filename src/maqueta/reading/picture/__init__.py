"""Pictures of sheets, scanned or photographed: straightened, traced and lettered."""
