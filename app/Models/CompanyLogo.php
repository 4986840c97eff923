<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The sign at the head of a company's papers, apart from the company, which every page reads. Owners without an account see it too: it
 * is reached through the company only.
 *
 * @property int    $id
 * @property int    $company_id
 * @property string $jpeg
 */
final class CompanyLogo extends Model
{
    public $timestamps = false;
    protected $guarded = [];
}
