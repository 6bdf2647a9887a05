<x-closed title="This part is too fine for that" words="It has more faces than can be worked through here. Make it from fewer copies or fewer round shapes."/>
