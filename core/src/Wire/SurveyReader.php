<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Survey\Questionnaire;
use Escapement\Core\Survey\SurveyCheck;
use Escapement\Core\Survey\SurveyInput;
use Escapement\Core\Survey\SurveyLoad;

/**
 * `survey_check` on the wire: `kind` K1 to K10, `answers` by the keys of core/data/survey.php and `fuel`, `before_photos` a count,
 * `shown` the nameplates and questions that a picture answers, `loads` with `sensitive` and `ups`. Rule: docs/rules.md#survey.
 */
final readonly class SurveyReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new SurveyCheck())->answer($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): SurveyInput
    {
        $in = new Fields($node);
        $kind = InstallationKind::from($in->oneOf('kind', array_column(InstallationKind::cases(), 'value')));
        $survey = new SurveyInput(
            $kind,
            $this->answers($in->object('answers')->node, $kind),
            $in->int('before_photos', 0, 100_000, 0),
            array_map(static fn(Node $one): string => $one->text(40), $in->maybeList('shown', 0, 200) ?? []),
            $in->each('loads', 0, 200, static fn(Fields $load): SurveyLoad => new SurveyLoad(
                $load->text('id'),
                $load->bool('sensitive', false),
                $load->bool('ups', false),
            )),
        );
        $in->close();

        return $survey;
    }

    /**
     * Answers as they are kept.
     *
     * @return array<string, string|float>
     *
     * @throws BadInput at an answer that its question does not know, or a key that this kind does not ask
     */
    public function answers(Node $node, InstallationKind $kind): array
    {
        $in = new Fields($node);
        $answers = [];
        foreach ((new Questionnaire($kind->value))->questions as $key => $question) {
            $options = array_map(strval(...), array_keys($question->options));
            $answers[$key] = $options === []
                ? $in->maybeNumber($key, $question->min, $question->max)
                : $in->maybeOneOf($key, $options);
        }
        $answers['fuel'] = $in->maybeOneOf('fuel', array_column(Fuel::cases(), 'value'));
        $in->close();

        return array_filter($answers, static fn(string|float|null $answer): bool => $answer !== null);
    }
}
