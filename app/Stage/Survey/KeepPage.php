<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Http\Merge;
use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Validator;

/** One page of the survey, whole: what belongs to the site, to the switch and to the questions is kept together or not at all. */
final readonly class KeepPage
{
    public function keep(Request $request, int $switch, Subject $on): Site
    {
        return DB::transaction(fn(): Site => $this->kept($request, $switch, $on));
    }

    private function kept(Request $request, int $id, Subject $on): Site
    {
        $switch = TransferSwitch::locked($id);
        $sites = Site::query();
        $sites->lockForUpdate();
        $site = $sites->findOrFail($switch->site_id);
        $switch->setRelation('site', $site);
        $form = new SurveyForm($site, $switch, $on);
        Merge::into($request, $form->shown());
        $part = match (true) {
            $on === Subject::Service && $request->has('name') => SiteRequest::createFrom($request),
            $on === Subject::Source && $request->has('switch_name') => SwitchRequest::createFrom($request),
            default => null,
        };
        $fields = Validator::make(
            (array) $request->input(),
            $form->rules() + self::rulesOf($part),
            $form->messages() + self::messagesOf($part),
        )->validate();
        $answers = $form->survey((array) ($fields['answers'] ?? []));
        unset($fields['answers']);
        if ($part instanceof SiteRequest) {
            $site->update($part->columns($fields, $site));
        }
        $switch->update(['survey' => $answers] + ($part instanceof SwitchRequest ? $part->columns($fields, $switch) : []));

        return $site;
    }

    /** @return array<string, mixed> */
    private static function rulesOf(null|SiteRequest|SwitchRequest $part): array
    {
        return $part?->rules() ?? [];
    }

    /** @return array<string, string> */
    private static function messagesOf(null|SiteRequest|SwitchRequest $part): array
    {
        return $part?->messages() ?? [];
    }
}
