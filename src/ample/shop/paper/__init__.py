"""Papers that leave the shop: the machine-shop sheet as SVG, DXF and PDF."""
