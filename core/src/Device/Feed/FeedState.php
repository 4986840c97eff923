<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Feed;

enum FeedState: string
{
    case Never = 'never';
    case Live = 'live';
    case Silent = 'silent';
}
