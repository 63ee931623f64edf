def live(seed): pass
