<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

enum LineFate: string
{
    case NewSite = 'site';
    case NewSwitch = 'switch';
    case There = 'there';
    case Faulty = 'fault';
}
