<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\DecideFacts;
use App\Bridge\PanelFacts;
use App\Bridge\PlanFacts;
use App\Bridge\TestPointFacts;
use App\Drawing\Panel\PanelMarks;
use App\Models\LoadItem;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Stage\Plan\OneLine\OneLineDrawing;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Planning\FaultAtElement;
use Escapement\Core\Planning\OpenedDevice;
use Escapement\Core\Planning\SiteBonding;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Power\CarriedLoads;
use Escapement\Core\Power\Demand\DemandResult;
use Escapement\Core\Power\Sizing\SizingOption;
use Escapement\Core\Power\Sizing\SizingResult;
use Escapement\Core\Power\SourceFigures;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Topology\BondMove;
use Escapement\Core\Topology\Device;
use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\OutageTestPointResult;
use Escapement\Core\Topology\PlacedAnswer;
use Escapement\Core\Topology\TopologyCheck;

/** The plan of one switch: its one-line, what moves, what to carry, what stays off. */
final readonly class PlanPage
{
    public SiteStanding $standing;
    public OneLine $drawing;
    public OneLineDrawing $picture;
    public ?PanelMarks $panel;
    public SiteBonding $bonding;
    public OutageTestPointResult $test;
    public PlacedAnswer $topology;
    /** @var list<Finding> */
    public array $findings;
    public DecideFacts $decide;
    public ?DemandResult $demand;
    public ?SourceFigures $source;
    public ?SizingResult $sizing;
    public ?CarriedLoads $carried;
    private ElementNames $names;
    private ?OpenedDevice $opened;

    private function __construct(public TransferSwitch $switch, public ?Plan $kept, public PlanLook $look, public PlanFacts $facts)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->names = new ElementNames($facts->plan->names());
        $this->drawing = $facts->plan->oneLine();
        $this->topology = TopologyCheck::of($this->drawing)->answer();
        $this->bonding = $facts->bonding();
        $this->test = TestPointFacts::ofSwitch($switch, $facts->plan);
        $this->findings = $this->told([...$this->topology->findings, ...$this->bonding->findings, ...$this->test->findings]);
        $this->panel = PanelSurvey::marks($switch);
        $this->opened = OpenedDevice::of($this->drawing, $this->topology, $look->open, $switch->site->installation, $this->names);
        $this->picture = new OneLineDrawing(
            $this->drawing,
            $facts->plan->names(),
            $look->on,
            $this->opened?->ref(),
            $look->showsStillLive ? $this->opened->live ?? [] : null,
            $this->test->device,
            $this->bondsLookedAt(),
            $facts->plan->in->isNeutralSwitched !== null,
            $look->showsFaults ? $facts->faults->elements : [],
            $this->panel,
            $look->lost,
        );
        $this->source = $facts->source;
        $this->decide = new DecideFacts($facts);
        $this->demand = $this->decide->demand();
        $this->sizing = $facts->sizing($this->decide->demandKw());
        $this->carried = $facts->carried();
    }

    public static function of(TransferSwitch $switch, ?Plan $kept, PlanLook $look): self
    {
        return new self($switch, $kept, $look, new PlanFacts($switch, $kept));
    }

    public function name(string $ref): string
    {
        return $this->names->of($ref);
    }

    public function acts(): SelfActing
    {
        return new SelfActing($this->switch->site->installation);
    }

    public function hasGenerator(): bool
    {
        return $this->switch->site->installation->hasGenerator();
    }

    /** @return array<string, string> where the switch can stand */
    public function sides(): array
    {
        [$normal, $other] = $this->acts()->sides();
        [$first, $second] = $this->hasGenerator()
            ? [strtoupper($normal[0]) . " $normal", strtoupper($other[0]) . " $other"] : ["1 $normal", "2 $other"];

        return ['normal' => $first, 'off' => '0 between', 'emergency' => $second];
    }

    /** What the panel does when that phase is lost, by its circuit; null: no phase is, or no circuit is kept. */
    public function lostWords(): ?string
    {
        $lost = $this->look->lost;
        $built = $lost === null ? null : (new PanelFacts($this->switch))->built();

        return $built === null ? null
            : $built->phaseLost((int) substr((string) $lost, 1) - 1)->words("$lost of {$built->first()}", (string) $built->second());
    }

    /** @return list<Device> what one can choose to open: disconnects and mains */
    public function openable(): array
    {
        return array_values(array_filter($this->drawing->devices, static fn(Device $device): bool => $device->kind !== 'breaker'));
    }

    public function hasOpened(): bool
    {
        return $this->opened !== null;
    }

    /** @return array<string, string> the sources that may push into a fault, by id */
    public function faultSources(): array
    {
        $sources = [];
        foreach ($this->drawing->sources as $source) {
            $sources[$source->id] = $this->name($source->id);
        }

        return $sources;
    }

    /** What stays live with it open, in one sentence; the hazard comes before the drawing. */
    public function hazard(): ?string
    {
        return $this->opened?->hazard();
    }

    /** @return list<BondMove> what moves, in order */
    public function moves(): array
    {
        return $this->bonding->moves();
    }

    /** @return array<string, array{string, string, string}> what a bond proposal rests on: label, and the words for no and yes */
    public function bondQuestions(): array
    {
        $kind = $this->switch->site->installation;
        $hasTwoSupplies = ! $kind->hasGenerator();
        $hasServiceDisconnect = array_filter(
            $this->drawing->devices,
            static fn(Device $device): bool => $device->kind === 'disconnect' && $device->isService,
        ) !== [];
        $source = $this->switch->fuel === Fuel::Battery ? 'inverter' : 'generator';

        return array_filter([
            'neutral_switched' => ['Neutral in the transfer switch', 'solid', 'switched'],
            'service_bonded' => $hasServiceDisconnect ? [
                $hasTwoSupplies ? 'Neutral bond at the first supply' : 'Main bonding jumper in the service disconnect', 'not installed',
                'installed',
            ] : null,
            'generator_bonded' => [
                $hasTwoSupplies ? 'Neutral bond at the second supply' : "Neutral bond in the $source", 'not installed', 'installed',
            ],
            'panel_bonded' => ['Bonding screw or strap in the existing panel', 'not installed', 'installed'],
        ]);
    }

    public function bondAnswer(string $name): string
    {
        $kept = $this->facts->fact($name);
        $value = old($name, $kept === null ? '' : ($kept ? '1' : '0'));

        return is_scalar($value) ? (string) $value : '';
    }

    public function editionHint(): string
    {
        $ofCompany = CodeEdition::of($this->switch, null);

        return 'Printed on the plan' . ($ofCompany === null ? '' : "; empty: as the company, $ofCompany");
    }

    public function chosenTitle(): ?string
    {
        return array_column(
            array_map(static fn(array $row): array => [$row['key'], $row['title']], $this->options()),
            1,
            0,
        )[$this->kept->choice ?? ''] ?? null;
    }

    /** @return list<OptionColumn> the ways to carry the load, side by side */
    public function columns(): array
    {
        $carries = [
            'whole' => static fn(LoadItem $load): bool => true,
            'managed' => static fn(LoadItem $load): bool => ! $load->shed,
            'essential' => static fn(LoadItem $load): bool => $load->essential || $load->must_run,
        ];
        $labour = $this->decide->labour();
        $columns = [];
        foreach ($this->options() as $row) {
            $isCarried = $carries[$row['key']];
            $left = array_values($this->switch->loads->reject($isCarried)->map(static fn(LoadItem $load): string => $load->name)->all());
            $shed = $row['key'] === 'whole' ? $this->carried?->offWords() ?? [] : $left;
            $kw = $row['option']->kw;
            $kKva = PlanFacts::stiffnessKva($this->source->ratedKva ?? 0.0);
            $columns[] = new OptionColumn(
                $row['key'],
                $row['title'],
                $row['option'],
                $shed,
                $this->decide->worstDipPct($isCarried, $kKva),
                $this->decide->fuel(min($kw, $this->source->usableKw ?? 0.0)),
                $labour[$row['key']],
            );
        }

        return $columns;
    }

    /** @return list<array{key: 'whole'|'managed'|'essential', title: string, option: SizingOption}> */
    private function options(): array
    {
        $options = [];
        foreach (['whole' => 'Whole house', 'managed' => 'Whole house, shedding', 'essential' => 'Essential circuits'] as $key => $title) {
            $option = $this->sizing?->options[$key];
            if ($option !== null) {
                $options[] = ['key' => $key, 'title' => $title, 'option' => $option];
            }
        }

        return $options;
    }

    /**
     * Each finding once, at the name that people know.
     *
     * @param list<Finding> $findings
     *
     * @return list<Finding>
     */
    private function told(array $findings): array
    {
        $told = [];
        foreach ($findings as $f) {
            if (in_array($f->id, $this->facts->plan->unsaid(), true)) {
                continue;
            }
            $message = $f->at === null ? $f->message : str_replace(": $f->at.", ': ' . $this->name($f->at) . '.', $f->message);
            $told["$f->id $f->at"] ??= $f->told($message);
        }

        return Finding::worstFirst(array_values($told));
    }

    /** @return array<string, string> each bond: stays, goes, to fit */
    public function bonds(): array
    {
        return array_map(static fn(array $mark): string => $mark['kind'], $this->bondMarks());
    }

    /** @return array<string, array{n: ?int, kind: string}> as found, as it will be, or what moves between the two */
    private function bondsLookedAt(): array
    {
        $hidden = ['before' => 'to fit', 'after' => 'goes'][$this->look->bonds] ?? null;
        $marks = array_filter($this->bondMarks(), static fn(array $mark): bool => $mark['kind'] !== $hidden);

        return $hidden === null ? $marks : array_map(static fn(array $mark): array => ['n' => null, 'kind' => 'stays'], $marks);
    }

    /** @return array<string, array{n: ?int, kind: string}> bonds on the drawing: stays, goes, to fit */
    private function bondMarks(): array
    {
        $marks = [];
        foreach (is_array($this->bonding->values['bonds_present']) ? $this->bonding->values['bonds_present'] : [] as $ref) {
            $marks[$ref] = ['n' => null, 'kind' => 'stays'];
        }
        foreach (is_array($this->bonding->values['actions']) ? $this->bonding->values['actions'] : [] as $i => $action) {
            if ($action['action'] === 'remove-bond' || $action['action'] === 'add-bond') {
                $marks[$action['at']] = ['n' => $i + 1, 'kind' => $action['action'] === 'remove-bond' ? 'goes' : 'to fit'];
            }
        }

        return $marks;
    }

    /** Where the survey says what the decision waits for. */
    public function asksFor(): string
    {
        return $this->source === null ? 'source' : 'loads';
    }

    public function kiloamps(?float $ka): string
    {
        return $ka === null ? 'not known' : "$ka\u{202F}kA";
    }

    /** @return 'note'|'proven'|'stop' */
    public function faultGlyph(FaultAtElement $element): string
    {
        return match ($element->verdict()->value) {
            'exceeded' => 'stop',
            'holds' => 'proven',
            default => 'note',
        };
    }

    /** @param array<string, mixed> $work of one panel */
    public function positionsShort(array $work): string
    {
        $short = $work['ground_positions_short'] ?? 0;

        return is_int($short) && $short > 0 ? ", $short more positions needed on a ground bar" : '';
    }

    /** What the source gives at this site, behind its rating; nothing while that is not known. */
    public function givesHere(): string
    {
        return $this->source === null ? '' : ', gives ' . round($this->source->usableKw, 1) . ' kW here';
    }
}
