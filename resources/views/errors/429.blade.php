<x-closed title="That was quicker than allowed" words="Wait a moment, then go back and try again. Nothing is lost."/>
