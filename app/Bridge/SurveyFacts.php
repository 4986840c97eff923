<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\Photo;
use App\Models\TransferSwitch;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Input\Node;
use Escapement\Core\Survey\Questionnaire;
use Escapement\Core\Survey\SurveyCheck;

/** The survey of a switch through its questionnaire. Needs of the switch: site, loads, photos. */
final readonly class SurveyFacts
{
    public Questionnaire $questionnaire;
    public CalculationResult $answer;

    public function __construct(TransferSwitch $switch)
    {
        $this->questionnaire = new Questionnaire($switch->site->installation->value);
        // A site may change its kind: answers that the new one does not ask for stay kept, and are not judged.
        $answers = array_intersect_key($switch->survey ?? [], $this->questionnaire->questions);
        $this->answer = (new SurveyCheck())->answer(Node::fromArray([
            'kind' => $switch->site->installation->value,
            'answers' => (object) ($answers + ($switch->fuel === null ? [] : ['fuel' => $switch->fuel->value])),
            'before_photos' => $switch->photos->filter(static fn(Photo $photo): bool => $photo->moment === 'before')->count(),
            'shown' => self::shown($switch),
            'loads' => array_values($switch->loads->map(
                static fn(LoadItem $load): array => ['id' => $load->name, 'sensitive' => $load->sensitive, 'ups' => $load->ups],
            )->all()),
        ]));
    }

    /** @return list<string> nameplates and questions that a picture answers */
    public static function shown(TransferSwitch $switch): array
    {
        return array_values($switch->photos->pluck('shows')->filter()->unique()->map(strval(...))->all());
    }
}
