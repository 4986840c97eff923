<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use Database\Factories\UserFactory;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class PeopleTest extends TestCase
{
    private const NEW = ['name' => 'Nell Marsh', 'email' => 'nell@company.example', 'role' => 'technician', 'password' => 'twelve letters'];

    #[Test]
    public function a_lead_adds_somebody_who_can_sign_in_for_the_same_company(): void
    {
        $lead = $this->signIn(Role::Lead);
        $this->post('/people', self::NEW)->assertRedirect('/people')->assertSessionHasNoErrors();
        self::assertSame($lead->company_id, User::query()->where('email', self::NEW['email'])->firstOrFail()->company_id);
        $this->post('/logout');
        $this->post('/login', ['email' => self::NEW['email'], 'password' => self::NEW['password']])->assertRedirect('/');
    }

    #[Test]
    public function an_address_is_used_once_and_a_first_password_is_long(): void
    {
        $lead = $this->signIn(Role::Lead);
        $this->post('/people', ['email' => $lead->email] + self::NEW)->assertSessionHasErrors('email');
        $this->post('/people', ['password' => 'short'] + self::NEW)->assertSessionHasErrors('password');
        self::assertSame(1, User::query()->count());
    }

    #[Test]
    public function only_a_lead_sees_the_page(): void
    {
        $this->signIn(Role::Technician);
        $this->get('/people')->assertForbidden();
        $this->post('/people', self::NEW)->assertForbidden();
    }

    #[Test]
    public function whoever_leaves_is_signed_out_at_the_next_step_and_cannot_come_back(): void
    {
        $lead = $this->signIn(Role::Lead);
        $person = UserFactory::make(Role::Technician, $lead->company_id);
        $this->put("/people/$person->id", ['role' => 'technician'])->assertSessionHasNoErrors();
        self::assertNotNull($person->refresh()->left_at);
        $this->actingAs($person)->get('/')->assertRedirect('/login');
        $this->post('/login', ['email' => $person->email, 'password' => 'a long enough secret'])->assertSessionHasErrors('email');
    }

    #[Test]
    public function a_lead_cannot_lock_the_company_out_nor_reach_into_another(): void
    {
        $lead = $this->signIn(Role::Lead);
        $this->put("/people/$lead->id", ['role' => 'viewer'])->assertSessionHasErrors("role.$lead->id");
        $stranger = UserFactory::make(Role::Technician);
        $this->put("/people/$stranger->id", ['role' => 'viewer', 'is_here' => '1'])->assertNotFound();
        self::assertSame(Role::Technician, $stranger->refresh()->role);
    }
}
