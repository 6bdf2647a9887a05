<x-closed title="The page was open too long" words="You were signed out meanwhile. Every step of a part is saved as you make it; sign in and go on."/>
