"""The kinds of sheet, one file each; none imports another, nor a subject of the shop."""
