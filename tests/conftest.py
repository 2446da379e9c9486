from hypothesis import settings

settings.register_profile("shop", deadline=None, print_blob=True)
settings.load_profile("shop")
