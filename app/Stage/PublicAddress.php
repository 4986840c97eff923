<?php

declare(strict_types=1);

namespace App\Stage;

/**
 * An address outside, resolved once and called by that number, so that a name cannot point elsewhere a moment later. Loopback, private
 * and reserved numbers are refused, unless `app.webhooks_private` allows them.
 */
final readonly class PublicAddress
{
    /** Shared by carriers; an old address inside a new one; translated ones: none of them is for everybody. */
    private const REFUSED = ['/^100\.(6[4-9]|[7-9]\d|1[01]\d|12[0-7])\./', '/^::ffff:/i', '/^64:ff9b:/i', '/^fe[89ab]/i'];
    private const PORTS = ['https' => 443, 'http' => 80];

    private function __construct(public string $host, public int $port, public string $ip) {}

    /** @throws \DomainException with why it is refused, in words */
    public static function of(string $url): self
    {
        $isPrivateAllowed = (bool) config('app.webhooks_private');
        $parts = parse_url($url);
        $scheme = strtolower($parts['scheme'] ?? '');
        $host = trim($parts['host'] ?? '', '[]');
        if ($parts === false || $host === '' || ! isset(self::PORTS[$scheme]) || isset($parts['user'])) {
            throw new \DomainException('An https address with a name, and without a password in it.');
        }
        if ($scheme !== 'https' && ! $isPrivateAllowed) {
            throw new \DomainException('Only https: what is sent would be read on its way.');
        }
        $found = filter_var($host, FILTER_VALIDATE_IP) !== false ? [$host] : self::resolved($host);
        if ($found === []) {
            throw new \DomainException("Nobody knows where $host is.");
        }
        foreach ($isPrivateAllowed ? [] : $found as $ip) {
            $isPublic = filter_var($ip, FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE) !== false;
            foreach (self::REFUSED as $pattern) {
                $isPublic = $isPublic && preg_match($pattern, $ip) !== 1;
            }
            if (! $isPublic) {
                throw new \DomainException("$host leads to $ip, which lies inside: it is not called.");
            }
        }

        return new self($host, $parts['port'] ?? self::PORTS[$scheme], $found[0]);
    }

    /** As curl wants it: this name at this port is that number, whatever a name server says by then. */
    public function pinned(): string
    {
        return "$this->host:$this->port:" . (str_contains($this->ip, ':') ? "[$this->ip]" : $this->ip);
    }

    /** @return list<string> */
    private static function resolved(string $host): array
    {
        $four = gethostbynamel($host);
        $six = @dns_get_record($host, DNS_AAAA);

        return array_values(array_filter([
            ...($four === false ? [] : $four), ...array_column($six === false ? [] : $six, 'ipv6'),
        ], is_string(...)));
    }
}
