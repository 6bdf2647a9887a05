<?php

declare(strict_types=1);

use App\Support\FileShelf;
use Cubo\Exchange\StlFile;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Route as Routes;
use Tests\Parts;
use Tests\School;

/*
 * Every address that there is, asked in every wrong shape, by everybody: what comes from outside never makes a 500.
 */

const FIELDS = [
    'version',
    'line',
    'number',
    'own',
    'brief',
    'do',
    'step',
    'kind',
    'name',
    'value',
    'note',
    'heading',
    'after',
    'trial',
    'key',
    'on',
    'letter',
    'of',
    'what',
    'by',
    'degrees',
    'face',
    'count',
    'group',
    'part',
    'steps',
    'against',
    'how',
    'way',
    'colour',
    'places',
    'index',
    'values',
    'sizes',
    'material',
    'density',
    'density_unit',
    'title',
    'brief',
    'unit',
    'tolerance',
    'printer',
    'requirements',
    'add',
    'drop',
    'turned',
    'class_id',
    'due_on',
    'checks_allowed',
    'shows',
    'shown_when',
    'row',
    'met',
    'reason',
    'comment',
    'state',
    'repaired',
    'tags',
    'class',
    'own',
    'pin',
    'email',
    'password',
    'q',
    'at',
    'tool',
    'spots',
    'options',
    'text',
    'id',
    'point',
    'u',
    'v',
    'keep',
    'role',
    'n',
    'differences',
    'ending',
    'small',
    'overrule',
];

beforeEach(function (): void {
    Queue::fake();
    $this->s = new School();
    $this->exercise = $this->s->exercise();
    $this->assignment = $this->s->assignment($this->exercise);
    $this->work = $this->s->work($this->assignment, null, [
        ['kind' => 'block'],
        ['kind' => 'sketch', 'shapes' => [['kind' => 'rectangle']]],
    ]);
    $this->handIn = $this->s->handIn($this->work);
    $this->file = app(FileShelf::class)->take($this->work, 'p.stl', StlFile::write(Parts::build([['kind' => 'block']])->part()));
});

/** @return array<string, string> what stands for each part of an address where it is right */
function right(object $t, Route $route): array
{
    $own = [
        'assignment' => $t->assignment->id,
        'recipe' => str_contains($route->uri(), 'exercises') ? $t->exercise->reference_id : $t->work->recipe_id,
        'work' => $t->work->id,
        'handIn' => $t->handIn->id,
        'file' => $t->file->id,
        'exercise' => $t->exercise->id,
        'class' => $t->s->class->id,
        'student' => $t->s->student->id,
        'part' => 1,
        'step' => str_contains($route->uri(), 'pad') ? 's2' : 's1',
        'key' => str_repeat('a', 40),
        'ending' => 'stl',
        'n' => '0',
    ];

    return array_map(strval(...), array_intersect_key($own, array_flip($route->parameterNames())));
}

/** @return list<array<string, mixed>> */
function wrong(): array
{
    $all = static fn(mixed $v): array => array_fill_keys(FIELDS, $v);

    return [
        [],
        $all(['x' => ['y' => ['z' => '1']]]),
        $all([[[]]]),
        $all(''),
        $all(null),
        $all('1'),
        $all('-1'),
        $all('99999999999999999999999'),
        $all('NaN'),
        $all(str_repeat('x', 70_000)),
        $all("\xC3\x28\x00'\"<>"),
        $all(['0', ['1'], null, "\x00"]),
    ];
}

it('answers every address in every wrong shape', function (string $who): void {
    $asked = 0;
    foreach (Routes::getRoutes()->getRoutes() as $route) {
        if (!str_starts_with((string) $route->getActionName(), 'App\\') || in_array($route->uri(), ['sign-out'], true)) {
            continue;
        }
        $right = right($this, $route);
        $addresses = [$right];
        foreach (array_keys($right) as $key) {
            foreach (
                in_array($who, ['student', 'teacher'], true)
                    ? ['abc', '-1', '0', '99999999999999999999', '1e3', '2147483648', "1'--", 's999', str_repeat('9', 300)]
                    : ['999999999', '-1']
                as $odd
            ) {
                $addresses[] = [$key => $odd] + $right;
            }
        }
        foreach ($addresses as $k => $parameters) {
            $uri =
                '/' .
                preg_replace_callback('/\{(\w+)\}/', static fn(array $m): string => rawurlencode($parameters[$m[1]] ?? 'x'), $route->uri());
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                // strangers get no further than the door: a few shapes are enough
                foreach (
                    $k === 0 ? array_slice(wrong(), 0, in_array($who, ['student', 'teacher'], true) ? null : 3) : [[]]
                    as $n => $input
                ) {
                    $this->app['auth']->forgetGuards();
                    $who === 'guest' || $this->actingAs($this->s->{$who});
                    $answer =
                        $n % 2 === 1
                            ? $this->json($method === 'GET' ? 'POST' : $method, $uri, $input, ['HX-Request' => 'true'])
                            : $this->call($method, $uri, $input);
                    $asked++;
                    $text =
                        $answer->getStatusCode() >= 500 && $answer->exception !== null
                            ? $answer->exception->getMessage() .
                                ' ' .
                                basename($answer->exception->getFile()) .
                                ':' .
                                $answer->exception->getLine()
                            : '';
                    expect($answer->getStatusCode())->toBeLessThan(500, "$method $uri as $who, shape $n: $text");
                }
            }
        }
    }
    expect($asked)->toBeGreaterThan(200);
})->with(['guest', 'student', 'stranger', 'teacher', 'otherTeacher']);

it('answers odd uploads in words', function (): void {
    $this->actingAs($this->s->student);
    foreach (
        [
            ['part' => 'text'],
            ['part' => ['a']],
            ['part' => [UploadedFile::fake()->create('a.stl', 1)]],
            ['part' => UploadedFile::fake()->createWithContent(str_repeat('n', 300) . '.stl', '')],
            ['part' => UploadedFile::fake()->createWithContent('../../etc/x"<script>.stl', 'solid')],
        ]
        as $input
    ) {
        expect($this->post("/bench/{$this->assignment->id}/file", $input)->getStatusCode())->toBeLessThan(500);
    }
});
