<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/**
 * What a site needs first, the worst before the rest: what can hurt somebody, what is not as it was proved, what is not finished, what
 * was never begun. Rule: docs/rules.md#site-need.
 */
enum SiteNeed: string
{
    case Switch = 'switch';
    case OwnerReport = 'owner_report';
    case FailedProof = 'failed_proof';
    case Circuit = 'circuit';
    case Settings = 'settings';
    case Signature = 'signature';
    case StaleProof = 'stale_proof';
    case Sheet = 'sheet';
    case FirstProof = 'first_proof';
    case RestOfProof = 'rest_of_proof';
    case NewerProof = 'newer_proof';
    case Nothing = 'nothing';

    /**
     * @param bool           $hasReport     the owner has written something that nobody has settled
     * @param int            $circuitStops  stop findings of the control circuit
     * @param int            $settingsStops likewise of the sheet
     * @param null|bool      $isSigned      of the newest run; null without one
     * @param bool           $hasSheet      settings are kept
     * @param ?StandingState $standing      null without a switch
     * @param bool           $asksAgain     the procedure proves more now than when it was proved
     */
    public static function first(
        bool $hasReport,
        int $circuitStops,
        int $settingsStops,
        ?bool $isSigned,
        bool $hasSheet,
        ?StandingState $standing,
        bool $asksAgain,
    ): self {
        return match (true) {
            $standing === null => self::Switch,
            $hasReport => self::OwnerReport,
            $standing === StandingState::Failed => self::FailedProof,
            $circuitStops > 0 => self::Circuit,
            $settingsStops > 0 => self::Settings,
            $isSigned === false => self::Signature,
            $standing === StandingState::Stale => self::StaleProof,
            ! $hasSheet => self::Sheet,
            $standing === StandingState::Never => self::FirstProof,
            $standing !== StandingState::Proven => self::RestOfProof,
            $asksAgain => self::NewerProof,
            default => self::Nothing,
        };
    }

    /** @return 'note'|'proven'|'stop'|'warn' */
    public function weight(): string
    {
        return match ($this) {
            self::OwnerReport, self::FailedProof, self::Circuit, self::Settings => 'stop',
            self::Signature, self::StaleProof => 'warn',
            self::Switch, self::Sheet, self::FirstProof, self::RestOfProof, self::NewerProof => 'note',
            self::Nothing => 'proven',
        };
    }
}
