<x-closed title="Cubo is being looked after" words="It will be back in a moment. Everything is saved."/>
