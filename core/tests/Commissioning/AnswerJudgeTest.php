<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\AnswerFault;
use Escapement\Core\Commissioning\Procedure\AnswerJudge;
use Escapement\Core\Commissioning\Procedure\Band;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepKind;
use Escapement\Core\Commissioning\Procedure\SubmittedAnswer;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The cases that the phone's own comparison answers too, in tests/Browser/answers.spec.js: the two may never differ. */
final class AnswerJudgeTest extends TestCase
{
    #[Test, DataProvider('cases')]
    public function what_a_phone_takes_without_a_network_the_judge_takes_later(
        \stdClass $step,
        \stdClass $answer,
        bool $isTaken,
        ?bool $closes,
    ): void {
        $asked = new Step(
            'inspect/one',
            StepKind::from($step->kind),
            'One',
            'Why.',
            'As it should be',
            'v1',
            'Else.',
            null,
            $step->hold,
            ! $step->hold && ! $step->stopped,
            [],
            $step->kind === 'measure' ? new Band(
                'Figure',
                'V',
                $step->min,
                $step->max,
                null,
                $step->stop_over,
                $step->stop_under,
                couldMin: $step->could_max === null ? null : 0.0,
                couldMax: $step->could_max,
            ) : null,
            choices: array_combine($step->choices, $step->choices),
            asks: $step->asks,
            tick: $step->tick,
            stoppedBy: $step->stopped ? ['A hot sits on the neutral bar.'] : [],
        );
        try {
            $verdict = (new AnswerJudge())->judge(
                $asked,
                new SubmittedAnswer(
                    $answer->so ?? null,
                    $answer->value ?? null,
                    $answer->choice ?? null,
                    $answer->skip_reason ?? null,
                    $answer->note ?? null,
                    $answer->name ?? null,
                    count($answer->photos ?? []),
                ),
            );
            self::assertTrue($isTaken, "taken as $verdict->value");
            self::assertSame($closes, $verdict->closes($step->hold));
        } catch (AnswerFault $e) {
            self::assertFalse($isTaken, "$e->field: {$e->getMessage()}");
        }
    }

    /** @return iterable<string, array{\stdClass, \stdClass, bool, ?bool}> */
    public static function cases(): iterable
    {
        foreach (json_decode(
            (string) file_get_contents(dirname(__DIR__) . '/data/answers.json'),
            false,
            16,
            JSON_THROW_ON_ERROR,
        ) as $case) {
            yield $case->name => [$case->step, is_array($case->answer) ? new \stdClass() : $case->answer, $case->taken, $case->closes];
        }
    }
}
