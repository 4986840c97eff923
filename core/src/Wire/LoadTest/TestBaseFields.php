<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\LoadTest;

use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\LoadStep;
use Escapement\Core\LoadTest\TestBase;
use Escapement\Core\LoadTest\TestProfile;

/** Profile, steps and base of a load test, alike for the plan and for the evaluation. Rule: docs/rules.md#load-test-plan. */
final readonly class TestBaseFields
{
    private TestProfile $profile;
    /** @var list<LoadStep> */
    private array $own;
    private ?float $classMin;

    public function __construct(private Fields $in, LaterRules $rules)
    {
        $this->profile = TestProfile::from($in->oneOf('profile', array_column(TestProfile::cases(), 'value')));
        $own = array_map(self::step(...), $in->maybeList('steps', 1, 20) ?? []);
        $this->own = $own;
        $this->classMin = $in->maybeNumber('class_min', 90, 5760);
        $profile = $this->profile;
        $rules->add(static function () use ($in, $profile): void {
            if ($in->has('steps') !== ($profile === TestProfile::Custom)) {
                throw $in->at('steps')->bad('Steps of its own has the custom profile, and no other.');
            }
            if ($in->has('class_min') && ! $profile->hasClass()) {
                throw $in->at('class_min')->bad('Only the long tests depend on the class of the system.');
            }
        });
    }

    public function fuel(): string
    {
        return $this->in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel']);
    }

    /** @return 'nameplate'|'site' */
    public function basis(): string
    {
        return $this->in->oneOf('basis', ['nameplate', 'site'], $this->profile->basis());
    }

    /** @param 'nameplate'|'site' $basis */
    public function base(string $fuel, float $nameplateKw, string $basis, float $usableKw): TestBase
    {
        return new TestBase($this->profile, $this->own, $this->classMin, $fuel, $nameplateKw, $basis, $usableKw);
    }

    private static function step(Node $node): LoadStep
    {
        $in = (new Fields($node))->only(['level_pct', 'minutes']);

        return new LoadStep($in->number('level_pct', 0, 110), $in->np('minutes'));
    }
}
