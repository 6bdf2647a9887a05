<x-closed title="This is not yours to see" words="The page belongs to somebody else. If it should be yours, you may be signed in under another name."/>
