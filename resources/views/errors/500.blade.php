<x-closed title="Something went wrong on our side" words="Nothing that was saved is lost. Go back and try once more; if it happens again, tell your teacher what you did last."/>
