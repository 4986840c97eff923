<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Bridge\PanelFacts;
use App\Bridge\SwitchFacts;
use App\Http\SettingAnchor;
use App\Http\Typed;
use App\Models\Sheet;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Commissioning\PanelSheet;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Settings\Change;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SettingsDiff;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Settings\Template\ReturnDelayMethod;
use Escapement\Core\Settings\Template\SettingReasons;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\SettingsCheck\SettingsCheckResult;
use Illuminate\Http\Request;

/** The newest sheet of a switch, or the template of its kind where there is none yet. */
final readonly class SheetPage
{
    public SiteStanding $standing;
    public SheetForm $form;
    public SheetTemplate $template;
    /** @var array<string, mixed> */
    public array $settings;
    /** @var array<string, mixed> */
    public array $habits;
    public SettingsCheckResult $check;
    /** Beside the control circuit of a changeover panel; null: none is kept. */
    public ?PanelSheet $panel;
    private SwitchFacts $facts;

    public function __construct(public TransferSwitch $switch, public ?Sheet $sheet, public ReturnDelayMethod $school)
    {
        $facts = $this->facts = new SwitchFacts($switch);
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->form = new SheetForm($facts->plant);
        $this->template = new SheetTemplate($switch->site->installation, $school);
        $this->settings = $sheet->settings ?? $this->template->settings()->toWire();
        $this->habits = $sheet->habits ?? [
            'exercise' => ['day' => 'tue', 'time' => '11:00', 'every' => 'weekly', 'for_min' => 15, 'with_load' => false],
            'load_tests_per_year' => 4,
        ];
        $this->check = $facts->check($this->settings(), $this->habits);
        $this->panel = (new PanelFacts($switch))->sheet($this->settings());
    }

    public static function school(Request $request): ReturnDelayMethod
    {
        return ReturnDelayMethod::tryFrom(Typed::text($request, 'school')) ?? ReturnDelayMethod::StormWise;
    }

    public function settings(): Settings
    {
        return $this->facts->settings($this->settings);
    }

    public function reason(string $path): string
    {
        return (new SettingReasons($this->facts->plant))->of($path);
    }

    /** What the template says where the sheet says something else. */
    public function templateSays(SheetField $field): ?string
    {
        $mine = $field->typed($this->settings);
        $template = $field->typed($this->template->settings()->toWire());

        return match (true) {
            $mine === $template => null,
            $field->unit === 'check' => $template === '' ? 'no' : 'yes',
            default => $template === '' ? 'off' : $template,
        };
    }

    /**
     * @return list<array{label: string, anchor: string, mine: string,
     *     template: string}> where the sheet says something else than the template of its kind
     */
    public function differences(): array
    {
        $differences = [];
        foreach ($this->form->fields() as $field) {
            $template = $this->templateSays($field);
            if ($template !== null) {
                $mine = $field->typed($this->settings);
                $unit = in_array($field->unit, ['s', '%', 'kW'], true) ? " $field->unit" : '';
                $differences[] = [
                    'label' => $field->label, 'anchor' => SettingAnchor::of($field->path),
                    'template' => $template . (is_numeric($template) ? $unit : ''),
                    'mine' => match (true) {
                        $field->unit === 'check' => $mine === '' ? 'no' : 'yes',
                        $mine === '' => 'off',
                        default => $mine . $unit,
                    },
                ];
            }
        }

        return $differences;
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return $this->check->findings;
    }

    /**
     * Every field as it would be typed with the finding's fix in it; null where the fix is no field of the sheet.
     *
     * @return null|array<string, string>
     */
    public function fixed(Finding $finding): ?array
    {
        if ($finding->fix === null || isset($finding->fix['exercise'])) {
            return null;
        }
        $settings = MergePatch::apply($this->settings, $finding->fix);
        $fields = [];
        foreach ($this->form->fields() as $field) {
            $fields[$field->path] = $field->typed($settings);
        }

        return $fields;
    }

    /** What a fix would change, in the words of the sheet. */
    public function fixWords(Finding $finding): string
    {
        $before = $this->facts->settings($this->settings);
        $after = $this->facts->settings(MergePatch::apply($this->settings, $finding->fix ?? []));

        return implode(
            ' ',
            array_map(static fn(Change $change): string => $change->meaning(), (new SettingsDiff())->compare($before, $after)),
        );
    }

    public function seconds(?int $ms): string
    {
        return $ms === null ? 'never' : SheetWords::seconds($ms);
    }

    /** @return list<string> how often it may run; what a sheet has is offered even where no list has it */
    public function intervals(mixed $kept): array
    {
        $usual = ['weekly', 'biweekly', 'monthly', 'quarterly', 'yearly'];

        return array_values(array_unique([...$usual, is_scalar($kept) ? (string) $kept : 'weekly']));
    }

    public function when(Sheet $sheet): string
    {
        return $sheet->created_at->copy()->setTimezone($this->switch->site->timezone)->format('j M Y, H:i');
    }
}
