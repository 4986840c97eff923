<?php

declare(strict_types=1);

namespace App\Stage\Api;

use Escapement\Core\Input\BadInput;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Context;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpException;

/**
 * What went wrong, as a program reads it: application/problem+json (RFC 9457) with a JSON Pointer (RFC 6901) to each field that is wrong.
 */
final readonly class Problem
{
    private const TITLES = [
        400 => 'This is no request that can be read.', 401 => 'A token is needed, and this is none that opens.',
        403 => 'This token may not do that.', 404 => 'There is no such thing, or it is not yours.', 405 => 'Not with this method.',
        409 => 'It does not go with what is there.', 413 => 'Too much at once.', 415 => 'Only JSON is read here.',
        422 => 'Something that was sent is wrong.',
        429 => 'Too many requests in this minute.', 500 => 'Something failed here.',
    ];

    /** Null: the exception is an answer by itself. */
    public static function of(\Throwable $e): ?JsonResponse
    {
        return match (true) {
            $e instanceof HttpResponseException => null,
            $e instanceof BadInput => self::wrong([['pointer' => $e->path, 'detail' => $e->getMessage()]]),
            $e instanceof ValidationException => self::wrong(self::fields($e)),
            $e instanceof AuthenticationException => self::answer(401, headers: ['WWW-Authenticate' => 'Bearer']),
            $e instanceof HttpException => self::answer($e->getStatusCode(), $e->getMessage(), headers: $e->getHeaders()),
            default => self::answer(500),
        };
    }

    /** @param list<array{pointer: string, detail: string}> $errors */
    public static function wrong(array $errors): JsonResponse
    {
        return self::answer(422, $errors[0]['detail'] ?? '', ['errors' => $errors]);
    }

    /**
     * @param array<string, mixed>  $more    members beside those of the standard
     * @param array<string, string> $headers
     */
    public static function answer(int $status, string $detail = '', array $more = [], array $headers = []): JsonResponse
    {
        $request = Context::get('request');
        $about = ['type' => 'about:blank', 'title' => self::TITLES[$status] ?? 'This cannot be done.', 'status' => $status]
            + ($status < 500 && $detail !== '' ? ['detail' => $detail] : [])
            + (is_string($request) ? ['instance' => "urn:request:$request"] : []);

        return new JsonResponse(
            $about + $more,
            $status,
            ['Content-Type' => 'application/problem+json'] + $headers,
            JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        );
    }

    /** @return list<array{pointer: string, detail: string}> */
    private static function fields(ValidationException $e): array
    {
        $errors = [];
        foreach ($e->errors() as $field => $messages) {
            foreach ((array) $messages as $message) {
                $pointer = '/' . str_replace(['~', '/', '.'], ['~0', '~1', '/'], (string) $field);
                $errors[] = ['pointer' => $pointer, 'detail' => is_string($message) ? $message : ''];
            }
        }

        return $errors;
    }
}
