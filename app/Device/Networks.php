<?php

declare(strict_types=1);

namespace App\Device;

use App\Models\Bench;
use App\Models\Company;

/**
 * Where devices of a company may lie: its own benches on this machine, and private networks that a lead has named. An address is a number,
 * never a name, so that nobody's name server decides where a request goes; public addresses are never asked. What else listens on this
 * machine is nobody's device, unless `devices.loopback` says that it is a machine to try on.
 */
final readonly class Networks
{
    private const LOOPBACK = ['127.0.0.0/8', '::1/128'];
    private const PRIVATE = ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', 'fd00::/8'];
    public const MOST = 20;

    /**
     * @param list<string>   $named         beside this machine
     * @param null|list<int> $loopbackPorts of this machine; null: any
     */
    public function __construct(public array $named = [], private ?array $loopbackPorts = null) {}

    public static function of(Company $company): self
    {
        $ports = config()->boolean('bench.any_loopback') ? null : array_map(
            static fn(Bench $bench): int => $bench->modbusPort(),
            array_values(Bench::query()->get()->all()),
        );

        return new self($company->device_networks ?? [], $ports);
    }

    /** @throws \DomainException with what is wrong with a network, in words */
    public static function checked(string $network): string
    {
        [$address, $bits] = substr_count($network, '/') > 1 ? ['', ''] : explode('/', "$network/", 3);
        $bytes = @inet_pton($address);
        $longest = $bytes === false ? 0 : strlen($bytes) * 8;
        if ($bytes === false || ($bits !== '' && (preg_match('/^\d{1,3}$/', $bits) !== 1 || (int) $bits > $longest))) {
            throw new \DomainException("\"$network\" is no network. Write it as 192.168.20.0/24, or one address as 192.168.20.7.");
        }
        $length = $bits === '' ? $longest : (int) $bits;
        foreach (self::PRIVATE as $private) {
            [$begin, $least] = explode('/', $private);
            if ($length >= (int) $least && self::lies($bytes, (string) inet_pton($begin), (int) $least)) {
                return inet_ntop($bytes) . "/$length";
            }
        }
        throw new \DomainException("\"$network\" is not private, or wider than one: only devices inside of your own network are asked.");
    }

    /** @throws \DomainException why this address is not asked */
    public function check(string $address, int $port): void
    {
        $bytes = @inet_pton($address);
        if ($bytes === false) {
            throw new \DomainException('An address of numbers, as 192.168.20.7: names are not looked up.');
        }
        foreach ([...self::LOOPBACK, ...$this->named] as $network) {
            [$begin, $length] = explode('/', $network);
            $start = @inet_pton($begin);
            if ($start !== false && strlen($start) === strlen($bytes) && self::lies($bytes, $start, (int) $length)) {
                $isOurs = ! in_array($network, self::LOOPBACK, true) || $this->loopbackPorts === null
                    || in_array($port, $this->loopbackPorts, true);

                if (! $isOurs) {
                    throw new \DomainException("On this machine only your own benches are asked, and $port is none of them.");
                }

                return;
            }
        }
        throw new \DomainException("$address is not in a network that a lead of your company has named.");
    }

    private static function lies(string $address, string $network, int $length): bool
    {
        if (strlen($address) !== strlen($network)) {
            return false;
        }
        $whole = intdiv($length, 8);
        $mask = 0xFF << 8 - $length % 8 & 0xFF;

        return substr($address, 0, $whole) === substr($network, 0, $whole)
            && ($length % 8 === 0 || (ord($address[$whole]) & $mask) === (ord($network[$whole]) & $mask));
    }
}
