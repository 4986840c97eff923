<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Plant\Upstream;

/**
 * What is upstream of the work and who opens it, before anybody opens a device of the installation. The step that is missing
 * here is the one that kills. Rule: docs/rules.md#procedure.
 */
final readonly class Isolation
{
    private const NOT_SURVEYED = 'Who can open the supply upstream of the work has not been surveyed. Nothing behind a cover is '
        . 'touched before that is known: enter it on the survey page "Service and meter".';

    /**
     * @param bool            $isAsked     false in the record of a run from before this was asked
     * @param bool            $isSurveyed  false where no survey stands behind the procedure: the words stay general
     * @param list<?Upstream> $supplies    of the first supply, then of the second where there are two; null: not known
     * @param ?bool           $isInspected an inspection is asked for before the supply closes; null: not known
     */
    private function __construct(private bool $isAsked, private bool $isSurveyed, private array $supplies, private ?bool $isInspected) {}

    /** No survey stands behind it. */
    public static function general(): self
    {
        return new self(true, false, [null], null);
    }

    /** The record of a run that was begun before this was asked. */
    public static function notAsked(): self
    {
        return new self(false, false, [], false);
    }

    /** @param non-empty-list<?Upstream> $supplies */
    public static function surveyed(array $supplies, ?bool $isInspected): self
    {
        return new self(true, true, $supplies, $isInspected);
    }

    public function isAsked(): bool
    {
        return $this->isAsked;
    }

    /** Something has to be released before the supply closes, or it is not known that nothing has to be. */
    public function asksForRelease(): bool
    {
        return $this->isAsked && $this->isInspected !== false;
    }

    /** The release that is asked for, as data. */
    public function releaseAsked(): string
    {
        return 'release ' . match ($this->isInspected) {
            true => 'required',
            false => 'none',
            null => 'unknown',
        };
    }

    public function release(): string
    {
        return $this->isInspected === true
            ? 'Released in writing by the authority, and the utility is informed. Who and when is written down.'
            : 'Released in writing by the authority, or the authority has said that no inspection is asked for here. Who and when '
                . 'is written down.';
    }

    /**
     * One step a supply, but for one that is opened by a device of the one-line: that has its own.
     *
     * @param list<string> $drawn references of the devices that the one-line isolates with
     *
     * @return list<RowItem>
     */
    public function items(array $drawn): array
    {
        $items = [];
        foreach ($this->supplies as $i => $supply) {
            if ($supply?->isOnSite() === true && in_array('md', $drawn, true)) {
                continue;
            }
            $items[] = new RowItem(
                $i === 0 ? '' : '-second',
                $this->words($supply, count($this->supplies) === 1 ? 'supply' : ($i === 0 ? 'first supply' : 'second supply')),
                stoppedBy: $supply === null && $this->isSurveyed ? [self::NOT_SURVEYED] : [],
                asked: 'upstream ' . ($supply->value ?? 'unknown'),
            );
        }

        return $items;
    }

    /** @return array<string, string> */
    private function words(?Upstream $upstream, string $supply): array
    {
        [$title, $expect] = match ($upstream) {
            Upstream::Utility => [
                "The utility opens and tags the $supply", 'Opened by the utility itself: meter pulled, or its own device open, tagged.',
            ],
            Upstream::Owner => [
                "The owner of the upstream switchboard opens, locks and tags the $supply",
                'Opened, locked and tagged by the person responsible for that switchboard; your own lock is on it too.',
            ],
            Upstream::Disconnect => [
                "Open, lock and tag the disconnect ahead of the work: $supply", 'Locked open; the tag names you and the time.',
            ],
            Upstream::Combined => ["Open, lock and tag the main beside the meter: $supply", 'Locked open; the tag names you and the time.'],
            null => [
                "Open and tag the $supply upstream of the work",
                'Opened, locked and tagged upstream of the work, by the person or the utility responsible for it.',
            ],
        };

        return ['{upstream}' => $title, '{upstream_expect}' => $expect];
    }
}
