<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use App\Models\Visit;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\Occurrence;
use Illuminate\Support\Carbon;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;

/**
 * Appointments as iCalendar: by the clock of their site, with the rules of that clock beside them, so that a calendar shows the hour of
 * the site. Their identity is stable; what changed has a higher sequence.
 */
final class CalendarFile
{
    private const DAYS_AROUND = 400;

    private VCalendar $calendar;
    /** @var array<string, true> */
    private array $zones = [];

    public function __construct(string $name)
    {
        $this->calendar = new VCalendar(['PRODID' => '-//Escapement//EN', 'X-WR-CALNAME' => $name,
            'REFRESH-INTERVAL;VALUE=DURATION' => 'PT6H']);
    }

    public function exercise(TransferSwitch $switch, Occurrence $one): void
    {
        $zone = $switch->site->timezone;
        $acts = new SelfActing($switch->site->installation);
        $this->add("exercise-$switch->id-$one->utcS", $switch->sheet->version ?? 0, [
            'SUMMARY' => "The generator starts by itself: {$switch->site->name}", 'LOCATION' => (string) $switch->site->address,
            'DESCRIPTION' => "{$acts->title()} {$acts->before()}",
        ], Carbon::createFromTimestampUTC($one->utcS), Carbon::createFromTimestampUTC($one->endUtcS), $zone);
    }

    /** @param array{date: string, items: list<string>, minutes: float} $visit that combines due work */
    public function service(TransferSwitch $switch, array $visit, string $words): void
    {
        $event = $this->calendar->add('VEVENT', [
            'UID' => "service-$switch->id-$visit[date]@escapement.example", 'DTSTAMP' => Carbon::now('UTC'), 'SEQUENCE' => 0,
            'SUMMARY' => "Service due: {$switch->site->name}", 'DESCRIPTION' => "$words; about $visit[minutes] min.",
        ]);
        if ($event instanceof Component) {
            $event->add('DTSTART', str_replace('-', '', $visit['date']), ['VALUE' => 'DATE']);
        }
    }

    /** A visit that was placed. Needs of it: switch.site. */
    public function visit(Visit $visit, string $words): void
    {
        if ($visit->placed_on === null || $visit->begin_min === null || $visit->end_min === null) {
            return;
        }
        $zone = $visit->switch->site->timezone;
        $at = static fn(int $minute): Carbon => Carbon::parse($visit->placed_on->format('Y-m-d'), $zone)->addMinutes($minute)->utc();
        $this->add("visit-$visit->id", $visit->sequence, [
            'SUMMARY' => "{$visit->switch->site->name}: $words", 'LOCATION' => (string) $visit->switch->site->address,
            'DESCRIPTION' => trim("$visit->note\nBefore any work: both sources isolated, locked out and proved dead."),
        ], $at($visit->begin_min), $at($visit->end_min), $zone);
    }

    public function written(): string
    {
        return $this->calendar->serialize();
    }

    /** @param array<string, string> $more */
    private function add(string $uid, int $sequence, array $more, Carbon $from, Carbon $to, string $zone): void
    {
        $this->zone($zone);
        $of = new \DateTimeZone($zone);
        $this->calendar->add('VEVENT', [
            'UID' => "$uid@escapement.example", 'DTSTAMP' => Carbon::now('UTC'), 'SEQUENCE' => $sequence,
            'DTSTART' => $from->copy()->setTimezone($of)->toDateTimeImmutable(),
            'DTEND' => $to->copy()->setTimezone($of)->toDateTimeImmutable(),
        ] + $more);
    }

    /** The changes of a clock around now, each as an observance of its own. */
    private function zone(string $name): void
    {
        if (isset($this->zones[$name]) || $name === 'UTC') {
            return;
        }
        $this->zones[$name] = true;
        $now = Carbon::now()->getTimestamp();
        $around = self::DAYS_AROUND * Day::S;
        $transitions = (new \DateTimeZone($name))->getTransitions($now - $around, $now + $around) ?: [];
        $component = $this->calendar->createComponent('VTIMEZONE', ['TZID' => $name], false);
        $before = $transitions[0]['offset'] ?? 0;
        foreach ($transitions as $one) {
            $observance = $this->calendar->createComponent($one['isdst'] ? 'DAYLIGHT' : 'STANDARD', [
                'DTSTART' => gmdate('Ymd\THis', $one['ts'] + $before), 'TZOFFSETFROM' => self::offset($before),
                'TZOFFSETTO' => self::offset($one['offset']), 'TZNAME' => $one['abbr'],
            ], false);
            if ($component instanceof Component && $observance instanceof Component) {
                $component->add($observance);
            }
            $before = $one['offset'];
        }
        $this->calendar->add($component);
    }

    private static function offset(int $seconds): string
    {
        return sprintf('%s%02d%02d', $seconds < 0 ? '-' : '+', intdiv(abs($seconds), 3600), intdiv(abs($seconds) % 3600, 60));
    }
}
