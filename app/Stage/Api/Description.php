<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Stage\Survey\LoadLines;
use Escapement\Core\LoadTest\TestProfile;
use Escapement\Core\Wire\Calculations;

/**
 * The API as OpenAPI 3.1. What goes into a calculation, and what comes out of a run, is the published schema itself (docs/schema), so
 * that the two cannot differ.
 */
final readonly class Description
{
    /** What is read as it is exported. */
    private const FILES = ['settings-sheet', 'run', 'load-test', 'logbook'];
    /** Pages of the survey that are kept whole. */
    public const SUBJECTS = ['service', 'panels', 'source', 'place', 'rules'];

    /** @return array<string, mixed> */
    public static function document(): array
    {
        return [
            'openapi' => '3.1.0',
            'info' => [
                'title' => 'Escapement', 'version' => '1', 'summary' => 'Sites, switches, sheets, runs, records and every calculation.',
                'description' => 'A token belongs to a person and opens what the person may do, within its scopes. Lengths are metres, '
                    . 'times UTC. What the tool computes does not replace the maker\'s instructions, the adopted code and its authority.',
            ],
            'servers' => [['url' => '/api/v1']],
            'security' => [['token' => []]],
            'tags' => array_map(
                static fn(Scope $scope): array => ['name' => $scope->value, 'description' => $scope->words()],
                Scope::cases(),
            ),
            'paths' => self::things() + self::calculations(),
            'components' => [
                'securitySchemes' => ['token' => [
                    'type' => 'http', 'scheme' => 'bearer', 'description' => 'Made on the account page; shown once.',
                ]],
                'headers' => ['ETag' => ['schema' => ['type' => 'string'], 'description' => 'Send it as If-None-Match: 304 if unchanged.']],
                'responses' => [
                    'Problem' => [
                        'description' => 'What went wrong, with a JSON Pointer to each wrong field',
                        'content' => ['application/problem+json' => ['schema' => self::ref('Problem')]],
                    ],
                    'Unchanged' => ['description' => 'Nothing has changed since the ETag that was sent'],
                ],
                'schemas' => self::shapes() + self::schemas(),
            ],
        ];
    }

    /** @return array<string, mixed> sites and what belongs to them: to read, and to write */
    private static function things(): array
    {
        $press = ['type' => 'object', 'required' => ['hazards_read'], 'properties' => [
            'hazards_read' => ['const' => true], 'reaction_ms' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 60000],
            'press' => ['type' => 'string', 'format' => 'uuid', 'description' => 'The same one begins one run'],
        ]];

        return [
            '/openapi.json' => ['get' => [
                'operationId' => 'description', 'summary' => 'This description', 'tags' => ['read'], 'security' => [],
                'responses' => ['200' => self::content(['type' => 'object'], 'OpenAPI 3.1'), '4XX' => self::problem()],
            ]],
            '/sites' => [
                'get' => self::get('listSites', 'The sites, page by page', self::listOf('Site'), self::paging()),
                'post' => self::post('addSite', 'Begin a site, with one switch', self::ref('NewSite'), self::ref('Site'), 201),
            ],
            '/sites/{site}' => ['get' => self::get('showSite', 'A site', self::ref('Site'), [self::id('site')])],
            '/switches/{switch}' => [
                'get' => self::get('showSwitch', 'A switch with its survey', self::ref('Switch'), [self::id('switch')]),
            ],
            '/switches/{switch}/survey/{subject}' => ['put' => self::put(
                'saveSurvey',
                'Answers of one page of the survey; what is left out stays',
                self::ref('Survey'),
                self::ref('Switch'),
                [self::id('switch'), self::oneOf('subject', self::SUBJECTS)],
            )],
            '/switches/{switch}/loads' => [
                'get' => self::get('showLoads', 'The loads of a switch', self::ref('Loads'), [self::id('switch')]),
                'put' => self::put(
                    'saveLoads',
                    'The whole list of loads anew',
                    self::ref('Loads'),
                    self::ref('Loads'),
                    [self::id('switch')],
                ),
            ],
            '/switches/{switch}/sheets' => ['post' => self::post(
                'addSheet',
                'A sheet as it was read becomes the next version, proposed',
                self::ref('settings-sheet'),
                ['type' => 'object'],
                201,
                [self::id('switch')],
            )],
            '/switches/{switch}/sheets/{version}' => ['get' => self::get(
                'showSheet',
                'A version of the settings sheet',
                self::ref('settings-sheet'),
                [self::id('switch'), self::id('version')],
            )],
            '/switches/{switch}/plan' => [
                'get' => self::get('showPlan', 'The one-line, as topology and bonding take it', self::ref('Plan'), [self::id('switch')]),
            ],
            '/switches/{switch}/logbook' => [
                'get' => self::get('showLogbook', 'The logbook with its record', self::ref('logbook'), [self::id('switch')]),
            ],
            '/switches/{switch}/runs' => [
                'get' => self::get('listRuns', 'The runs of a switch', self::listOf('Run'), [self::id('switch'), ...self::paging()]),
                'post' => self::post('addRun', 'Begin a run', $press, self::ref('Run'), 201, [self::id('switch')]),
            ],
            '/runs/{run}' => [
                'get' => self::get('showRun', 'A run with its record, verdict and report', self::ref('run'), [self::id('run')]),
            ],
            '/runs/{run}/report' => ['get' => self::paper('printRun', 'The report of a run', [self::id('run')])],
            '/switches/{switch}/load-tests' => [
                'get' => self::get(
                    'listLoadTests',
                    'The load tests of a switch',
                    self::listOf('LoadTest'),
                    [self::id('switch'), ...self::paging()],
                ),
                'post' => self::post(
                    'addLoadTest',
                    'Plan a load test',
                    self::ref('NewLoadTest'),
                    self::ref('LoadTest'),
                    201,
                    [self::id('switch')],
                ),
            ],
            '/load-tests/{test}' => [
                'get' => self::get('showLoadTest', 'A load test with its record and verdict', self::ref('load-test'), [self::id('test')]),
            ],
            '/load-tests/{test}/report' => ['get' => self::paper('printLoadTest', 'The report of a load test', [self::id('test')])],
            '/load-tests/{test}/readings' => ['post' => self::post(
                'takeReadings',
                'Readings of the meter, in the units of the site; each has its own id and is taken once',
                self::batch('readings', 'Reading'),
                ['type' => 'object'],
                200,
                [self::id('test')],
            )],
            '/runs/{run}/marks' => ['post' => self::post(
                'takeMarks',
                'Marks of the stopwatch; each has its own id and is taken once',
                self::batch('marks', 'Mark'),
                ['type' => 'object'],
                200,
                [self::id('run')],
            )],
            '/runs/{run}/answers' => ['post' => self::post(
                'takeAnswers',
                'Answers to rows of the procedure; each has its own id and is taken once',
                self::batch('answers', 'Answer'),
                ['type' => 'object'],
                200,
                [self::id('run')],
            )],
        ];
    }

    /** @return array<string, mixed> as the template of the route, with one body for each name */
    private static function calculations(): array
    {
        $paths = [];
        foreach (['rehearse', ...array_diff(Calculations::NAMES, Calculate::LEFT_OUT)] as $name) {
            $paths["/calc/$name"] = ['post' => [
                'operationId' => "calc_$name", 'summary' => "Calculate $name", 'tags' => ['calc'],
                'requestBody' => ['required' => true, 'content' => ['application/json' => ['schema' => self::ref($name)]]],
                'responses' => ['200' => self::content(['type' => 'object'], 'The answer, with its working'), '4XX' => self::problem()],
            ]];
        }

        return $paths;
    }

    /** @return array<string, mixed> the published schemas by name; what they point to within themselves is found here as well */
    private static function schemas(): array
    {
        $schemas = [];
        foreach (['rehearse', ...array_diff(Calculations::NAMES, Calculate::LEFT_OUT), ...self::FILES] as $name) {
            $file = base_path("docs/schema/$name.schema.json");
            $text = str_replace('"#/', "\"#/components/schemas/$name/", (string) file_get_contents($file));
            $schema = (array) json_decode($text, false, 64, JSON_THROW_ON_ERROR);
            unset($schema['$schema'], $schema['$id']);
            $schemas[$name] = $schema;
        }

        return $schemas;
    }

    /** @return array<string, mixed> */
    private static function shapes(): array
    {
        $text = ['type' => 'string'];
        $number = ['type' => 'integer'];
        $words = ['type' => ['string', 'null']];
        $figure = ['type' => 'number'];
        $maybe = ['type' => ['number', 'null']];
        $uuid = ['type' => 'string', 'format' => 'uuid'];
        $site = [
            'name' => $text + ['maxLength' => 120], 'address' => $words, 'owner' => $words, 'timezone' => $text,
            'units' => ['enum' => ['us', 'metric']], 'installation' => $text, 'service_a' => ['type' => ['integer', 'null']],
        ];

        return [
            'Problem' => self::object(['type' => $text, 'title' => $text, 'status' => $number, 'detail' => $text, 'instance' => $text,
                'errors' => ['type' => 'array', 'items' => self::object(['pointer' => $text, 'detail' => $text], ['pointer', 'detail'])],
            ], ['title', 'status']),
            'NewSite' => self::object(
                $site + ['altitude' => ['type' => ['number', 'null'], 'description' => 'feet or metres, by units'], 'notes' => $words],
                ['name', 'timezone', 'units', 'installation'],
            ),
            'Site' => self::object(['id' => $number] + $site + ['altitude_m' => ['type' => ['number', 'null']],
                'switches' => ['type' => 'array', 'items' => self::object(['id' => $number, 'name' => $text, 'application' => $text])],
            ], ['id', 'name']),
            'Switch' => self::object(['id' => $number, 'name' => $text, 'site' => $number, 'application' => $text,
                'plant' => ['type' => 'object'],
                'survey' => ['type' => 'object'], 'sheets' => ['type' => 'array', 'items' => ['type' => 'object']],
            ], ['id', 'name']),
            'Plan' => self::object(
                ['topology' => self::ref('topology'), 'bonding' => self::ref('bonding'), 'names' => ['type' => 'object']],
            ),
            'Run' => self::object(['id' => $number, 'switch' => $number, 'sheet_version' => $number, 'by' => $text, 'begun_at' => $text,
                'signed_at' => $words, 'signed_name' => $words, 'verdict' => $words, 'head' => $text,
            ], ['id', 'switch']),
            'Mark' => self::object(
                ['id' => $uuid, 'event' => $text, 'at_ms' => $number, 'note' => $words, 'undone' => ['type' => 'boolean'],
                    'late_reason' => $words, 'client_wall' => $words],
                ['id', 'event', 'at_ms'],
            ),
            'Survey' => self::object(['answers' => [
                'type' => 'object',
                'description' => 'By the key of the question, as in the survey of the switch; figures in the units of the site',
            ]]),
            'Loads' => self::object(['loads' => ['type' => 'array', 'maxItems' => LoadLines::MOST, 'items' => self::object(
                ['name' => $text + ['maxLength' => 64], 'kw' => $figure, 'priority' => $number, 'connect' => $words,
                    'start_kva' => $maybe, 'duty_pct' => $maybe] + array_fill_keys(array_keys(LoadLines::TICKS), ['type' => 'boolean']),
                ['name', 'kw', 'priority'],
            )], 'sure' => ['type' => 'boolean', 'description' => 'true: a figure that looks like a slip is meant']], ['loads']),
            'NewLoadTest' => self::object(
                ['profile' => ['enum' => array_column(TestProfile::cases(), 'value')], 'steps' => $words, 'bank_elements' => $words,
                    'class_min' => $maybe, 'building_kw' => $maybe, 'reading_interval_min' => $maybe,
                    'planned_for' => $words + ['description' => 'The hour on site, as 2026-11-27T14:30']],
                ['profile'],
            ),
            'LoadTest' => self::object(['id' => $number, 'switch' => $number, 'profile' => $text, 'plan' => ['type' => 'object'],
                'planned_for' => $words, 'by' => $text, 'closed_at' => $words, 'closed_by' => $words, 'verdict' => $words, 'head' => $text,
            ], ['id', 'switch', 'profile']),
            'Reading' => self::object(
                ['id' => $uuid, 'taken_at' => $text + ['description' => 'UTC, as 2026-11-27T14:35:00.000Z'],
                    'v' => ['type' => 'array', 'items' => $figure], 'a' => ['type' => 'array', 'items' => $figure], 'hz' => $figure,
                    'kw' => $maybe, 'oil' => $maybe, 'coolant' => $maybe, 'exhaust' => $maybe, 'battery_v' => $maybe, 'note' => $words],
                ['id', 'taken_at', 'v', 'a', 'hz'],
            ),
            'Answer' => self::object(['id' => $uuid, 'step' => $text], ['id', 'step']),
        ];
    }

    /**
     * @param array<string, mixed>       $schema
     * @param list<array<string, mixed>> $parameters
     *
     * @return array<string, mixed>
     */
    private static function get(string $id, string $summary, array $schema, array $parameters): array
    {
        $content = self::content($schema, $summary) + ['headers' => ['ETag' => ['$ref' => '#/components/headers/ETag']]];

        return [
            'operationId' => $id, 'summary' => $summary, 'tags' => ['read'], 'parameters' => $parameters,
            'responses' => ['200' => $content, '304' => ['$ref' => '#/components/responses/Unchanged'], '4XX' => self::problem()],
        ];
    }

    /**
     * @param array<string, mixed>       $body
     * @param array<string, mixed>       $answer
     * @param list<array<string, mixed>> $parameters
     *
     * @return array<string, mixed>
     */
    private static function post(string $id, string $summary, array $body, array $answer, int $status, array $parameters = []): array
    {
        $key = ['name' => 'Idempotency-Key', 'in' => 'header', 'schema' => ['type' => 'string', 'minLength' => 8, 'maxLength' => 128],
            'description' => 'The same key gets the first answer again, for a day',
        ];

        return [
            'operationId' => $id, 'summary' => $summary, 'tags' => ['write'], 'parameters' => [...$parameters, $key],
            'requestBody' => ['required' => true, 'content' => ['application/json' => ['schema' => $body]]],
            'responses' => [(string) $status => self::content($answer, $summary), '4XX' => self::problem()],
        ];
    }

    /**
     * A whole thing anew: sent twice it is as sent once.
     *
     * @param array<string, mixed>       $body
     * @param array<string, mixed>       $answer
     * @param list<array<string, mixed>> $parameters
     *
     * @return array<string, mixed>
     */
    private static function put(string $id, string $summary, array $body, array $answer, array $parameters): array
    {
        return [
            'operationId' => $id, 'summary' => $summary, 'tags' => ['write'], 'parameters' => $parameters,
            'requestBody' => ['required' => true, 'content' => ['application/json' => ['schema' => $body]]],
            'responses' => ['200' => self::content($answer, $summary), '4XX' => self::problem()],
        ];
    }

    /**
     * @param list<array<string, mixed>> $parameters
     *
     * @return array<string, mixed>
     */
    private static function paper(string $id, string $summary, array $parameters): array
    {
        $pdf = ['schema' => ['type' => 'string', 'contentMediaType' => 'application/pdf']];

        return [
            'operationId' => $id, 'summary' => $summary, 'tags' => ['read'], 'parameters' => $parameters, 'responses' => [
                '200' => ['description' => $summary, 'content' => ['application/pdf' => $pdf]],
                '304' => ['$ref' => '#/components/responses/Unchanged'], '4XX' => self::problem(),
            ],
        ];
    }

    /**
     * @param list<string> $values
     *
     * @return array<string, mixed>
     */
    private static function oneOf(string $name, array $values): array
    {
        return ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => ['enum' => $values]];
    }

    /** @return list<array<string, mixed>> */
    private static function paging(): array
    {
        $number = ['type' => 'integer', 'minimum' => 1];

        return [
            ['name' => 'page', 'in' => 'query', 'schema' => $number],
            ['name' => 'per_page', 'in' => 'query', 'schema' => $number + ['maximum' => Lines::MOST, 'default' => Lines::USUAL]],
        ];
    }

    /** @return array<string, mixed> */
    private static function id(string $name): array
    {
        return ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => ['type' => 'integer', 'minimum' => 1]];
    }

    /** @return array<string, mixed> */
    private static function batch(string $of, string $shape): array
    {
        return self::object([$of => ['type' => 'array', 'maxItems' => 1000, 'items' => self::ref($shape)]], [$of]);
    }

    /** @return array<string, mixed> */
    private static function listOf(string $shape): array
    {
        $number = ['type' => 'integer'];

        return self::object(
            ['data' => ['type' => 'array', 'items' => self::ref($shape)], 'page' => $number, 'per_page' => $number, 'pages' => $number,
                'total' => $number],
            ['data', 'page', 'pages', 'total'],
        );
    }

    /**
     * @param array<string, mixed> $properties
     * @param list<string>         $required
     *
     * @return array<string, mixed>
     */
    private static function object(array $properties, array $required = []): array
    {
        return ['type' => 'object', 'properties' => $properties] + ($required === [] ? [] : ['required' => $required]);
    }

    /** @return array<string, string> */
    private static function ref(string $name): array
    {
        return ['$ref' => "#/components/schemas/$name"];
    }

    /** @return array<string, string> */
    private static function problem(): array
    {
        return ['$ref' => '#/components/responses/Problem'];
    }

    /**
     * @param array<string, mixed> $schema
     *
     * @return array<string, mixed>
     */
    private static function content(array $schema, string $words): array
    {
        return ['description' => $words, 'content' => ['application/json' => ['schema' => $schema]]];
    }
}
