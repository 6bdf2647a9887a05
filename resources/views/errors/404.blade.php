<x-closed title="There is nothing here" words="Either the address has a slip in it, or what was here has moved on."/>
