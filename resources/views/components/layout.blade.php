@props(['title' => 'Cubo', 'class' => 'page'])
<!doctype html>
<html lang="{{ str_replace('_', '-', app()->getLocale()) }}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="csrf-token" content="{{ csrf_token() }}">
<meta name="htmx-config" content='{"includeIndicatorStyles": false}'>
<link rel="icon" href="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16'%3E%3Cpath d='M2 8H14' stroke='%2366208C' stroke-width='3'/%3E%3Cpath d='M1 12L4 4M12 12L15 4' stroke='%2366208C' stroke-width='1.6'/%3E%3C/svg%3E">
<title>{{ $title }} - Cubo</title>
@vite(['resources/css/app.css', 'resources/js/app.js'])
</head>
<body>
<div class="{{ $class }}">
{{ $slot }}
</div>
</body>
</html>
