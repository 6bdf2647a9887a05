@props(['kind'])
{{ \App\Support\Icons::step($kind) }}
