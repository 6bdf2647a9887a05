@props(['title', 'words'])
{{-- A page that cannot be shown. It asks nothing of the database: that may be the reason. --}}
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $title }} - Cubo</title>
@vite(['resources/css/app.css'])
</head>
<body>
<main style="max-width:560px;margin:0 auto;padding:22vh 24px 0;display:grid;gap:14px">
<svg width="84" height="16" viewBox="0 0 84 16" aria-hidden="true"><path d="M5 13L12 3M72 13L79 3" stroke="var(--color-chalk)" stroke-width="2.4"/></svg>
<h1>{{ $title }}</h1>
<p style="font-size:17px;line-height:25px">{{ $words }}</p>
<p><a class="btn ink" href="/">To the start page</a></p>
</main>
</body>
</html>
