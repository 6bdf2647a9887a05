<?php

declare(strict_types=1);

use Cubo\Recipe\Kind\Kinds;
use Tests\School;

it('answers whatever a bench may send, and loses nothing', function (int $seed): void {
    $s = new School();
    $recipe = $s->work($s->assignment(), null, [['kind' => 'block']])->recipe;
    $this->actingAs($s->student);
    mt_srand($seed);
    $one = fn(array $l) => $l[mt_rand(0, count($l) - 1)];
    $text = fn() => $one([
        '10',
        '0',
        '-5',
        '12..5',
        '1/0',
        '1 3/8 in',
        '7/16"',
        '',
        'abc',
        '99999',
        '0.0001',
        '5',
        '20',
        '3*4',
        'all',
        '1, 2',
        's1',
        's2',
        'up',
        'cut',
        'keep',
        'add',
        'x',
        'radius',
        '45',
        '360',
        str_repeat('9', 130),
        '☃',
    ]);
    for ($i = 0; $i < 60; $i++) {
        $document = $recipe->fresh()->atHand();
        $ids = array_map(fn($x) => $x->id, $document->steps) ?: ['s1'];
        $step = $one([...$ids, 's99']);
        $group = $one([...array_keys($document->groups), 'g9', '']);
        $input = match (mt_rand(0, 15)) {
            12 => [
                'do' => 'group',
                'steps' => array_slice($ids, mt_rand(0, count($ids) - 1), mt_rand(1, 4)),
                'name' => $one(['', 'Pot', 'Pot', mb_substr($text(), 0, 60)]),
            ],
            13 => [
                'do' => $one(['open', 'close', 'close', 'place', 'forget', 'renew', 'lock', 'group-name']),
                'group' => $group,
                'name' => mb_substr($text(), 0, 60),
                'locked' => [$text()],
            ],
            14 => [
                'do' => $one(['ungroup', 'set-free', 'one-more', 'around', 'drop', 'nudge', 'spin']),
                'step' => $step,
                'by' => [$text(), '1', '-2.5'],
                'degrees' => $one(['15', '-90', '0']),
            ],
            15 => [
                'do' => $one(['ground', 'take', 'align']),
                'face' => $one(["$step:top", '', $text()]),
                'part' => mt_rand(0, 3),
                'steps' => $ids,
                'against' => $step,
                'how' => $one(['low', 'stack', 'space']),
                'way' => $one(['x', 'z']),
            ],
            0, 1 => ['do' => 'add', 'kind' => $one([...array_keys(Kinds::all()), 'nonsense'])],
            2 => ['do' => 'shift', 'step' => $step, 'places' => mt_rand(-3, 3)],
            3 => ['do' => $one(['switch', 'delete', 'undo', 'redo']), 'step' => $step],
            4 => [
                'do' => $one(['add-shape', 'drop-shape']),
                'step' => $step,
                'kind' => $one(['circle', 'rectangle', 'star']),
                'index' => mt_rand(0, 3),
            ],
            5 => [
                'do' => 'paint',
                'of' => [$one(["$step:top", "$step:side", $text()])],
                'colour' => $one(['red', 'blue', '', 'no colour']),
                'what' => $one(['face', 'shape', 'body', 'x']),
            ],
            6 => ['do' => 'pin', 'of' => array_slice(["$step:top", "$step:front / $step:top", $text()], 0, mt_rand(0, 3))],
            7 => ['do' => 'add', 'kind' => $one(['sketch', 'extrude', 'rib', 'hole', 'revolve']), 'after' => $step],
            default => [
                'do' => 'set',
                'note' => mt_rand(0, 3) ? null : $text(),
                'heading' => mt_rand(0, 3) ? null : mb_substr($text(), 0, 60),
                'trial' => mt_rand(0, 1),
                'step' => $step,
                'name' => mb_substr($text(), 0, 60),
                'values' => array_filter(
                    [
                        ...array_combine(
                            $keys = array_keys($document->step($step)?->kind->fields() ?? ['width' => 1]),
                            array_map(fn() => mt_rand(0, 2) ? null : $text(), $keys),
                        ),
                        'shapes' => mt_rand(0, 1) ? [[$one(['u', 'v', 'width', 'round', 'by', 'from']) => $text()]] : null,
                    ],
                    fn($v) => $v !== null,
                ),
            ],
        };
        $response = $this->post("/recipes/{$recipe->id}/edit", $input + ['version' => $recipe->fresh()->version]);
        // what cannot be done is told in words
        expect($response->getStatusCode())->toBeIn([200, 409], "seed $seed, edit $i: " . json_encode($input));
        if ($i % 6 === 0) {
            $at = $one(array_map(fn($x) => $x->id, $recipe->fresh()->atHand()->steps) ?: ['none']);
            foreach (
                [
                    ["stage/does/$at", 'GET', []],
                    ["stage/after/$at.glb", 'GET', []],
                    ['stage/words', 'GET', []],
                    ['stage/unseen', 'GET', []],
                    ['library', 'GET', ['q' => $text()]],
                    ['stage/measure', 'GET', ['of' => [$text(), "$at:top"]]],
                    ["stage/try/$at", 'POST', ['values' => ['distance' => $text(), 'height' => $text(), 'x' => [$text()]]]],
                ]
                as [$path, $method, $with]
            ) {
                expect($this->call($method, "/recipes/{$recipe->id}/$path", $with)->getStatusCode())->toBeIn(
                    $at === 'none' ? [200, 404] : [200],
                    "seed $seed, $path after edit $i",
                );
            }
        }
    }
    // the page opens, the check runs, the part can be handed in or is told to be empty
    $this->get("/bench/{$recipe->work->assignment_id}")->assertOk();
    $this->post("/works/{$recipe->work->id}/check")->assertOk();
    expect($this->post("/works/{$recipe->work->id}/hand-in", ['version' => $recipe->fresh()->version])->getStatusCode())->toBe(302);
})->with(range(1, 8));
