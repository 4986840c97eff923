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
use Escapement\Core\Survey\SurveyInput;
use Escapement\Core\Survey\SurveyLoad;
use Escapement\Core\Wire\SurveyReader;

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
        $kept = (object) ($answers + ($switch->fuel === null ? [] : ['fuel' => $switch->fuel->value]));
        $this->answer = (new SurveyCheck())->answer(new SurveyInput(
            $switch->site->installation,
            (new SurveyReader())->answers(new Node($kept, '/answers'), $switch->site->installation),
            $switch->photos->filter(static fn(Photo $photo): bool => $photo->moment === 'before')->count(),
            self::shown($switch),
            array_values($switch->loads->map(
                static fn(LoadItem $load): SurveyLoad => new SurveyLoad($load->name, $load->sensitive, $load->ups),
            )->all()),
        ));
    }

    /** @return list<string> nameplates and questions that a picture answers */
    public static function shown(TransferSwitch $switch): array
    {
        return array_values($switch->photos->pluck('shows')->filter()->unique()->map(strval(...))->all());
    }
}
