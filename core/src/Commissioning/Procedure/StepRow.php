<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Plant\PlantKind;

/**
 * One row of the table of steps. `{…}` in its words is filled in for the site: {leg}, {open_it}, {line}, {upstream}, {load}, {pct},
 * {open_test}, {close_test}, {first}, {second}, {return}, {own}, {release}; where it goes with the installation those of InstallWork.
 */
final readonly class StepRow
{
    /**
     * @param string       $id        within its stage; what is repeated gets its leg or device behind it
     * @param string       $expect    in words; for figures and times the band says it
     * @param string       $ifNot     what to do when it does not match
     * @param ?string      $hazard    shown before the step
     * @param string       $kinds     of installation, parted by blanks; empty: all
     * @param string       $plants    standby, two_source, mobile; empty: all
     * @param ?string      $when      an option or a fact that must hold: see Procedure::holds()
     * @param ?string      $band      of a measurement: see Bands; of a time: the event of its window
     * @param array<string, string> $choices what can be chosen, words by id, the wanted one first
     * @param list<string> $after     steps that it waits for beside the hold points before it, of its stage where no other
     *     is named; one that ends in * stands for all that begin so
     * @param ?string      $asks      what has to be written down with it
     * @param ?string      $tick      what is ticked beside a measured value
     * @param list<string> $noted     choices beside the wanted one that close the step with a note: found, and put right
     * @param int          $version   raised when the row asks for something else; rewording it is no reason
     * @param int          $since     first edition of the procedure that has it
     * @param ?int         $until     last edition that has it: a run that was begun under it keeps its rows
     */
    public function __construct(
        public Stage $stage,
        public string $id,
        public StepKind $kind,
        public string $title,
        public string $why,
        public string $expect,
        public string $ifNot,
        public ?string $hazard = null,
        public string $kinds = '',
        public string $plants = '',
        public ?string $when = null,
        public RepeatedFor $per = RepeatedFor::Once,
        public ?string $band = null,
        public string $instrument = '',
        public array $choices = [],
        public array $after = [],
        public bool $isHold = false,
        public bool $mayBeSkipped = true,
        public ?string $asks = null,
        public ?string $tick = null,
        public int $version = 1,
        public int $since = 1,
        public ?int $until = null,
        public array $noted = [],
    ) {}

    /** @return list<string> whole ids of the steps that it waits for, with what of the site they name still to be filled in */
    public function afterIds(): array
    {
        return array_map(fn(string $id): string => str_contains($id, '/') ? $id : $this->stage->value . '/' . $id, $this->after);
    }

    public function isFor(string $kind, PlantKind $plant, int $edition): bool
    {
        return $edition >= $this->since && $edition <= ($this->until ?? $edition) && ($this->kinds === '' || in_array(
            $kind,
            explode(' ', $this->kinds),
            true,
        )) && ($this->plants === '' || in_array(
            $plant->value,
            explode(' ', $this->plants),
            true,
        ));
    }
}
