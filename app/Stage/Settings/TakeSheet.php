<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Bridge\SwitchFacts;
use App\Models\Sheet;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\CheckReader;
use Escapement\Core\Wire\SettingsReader;

/** A sheet as it is exported becomes a proposed version; who wrote it where is not taken over. */
final readonly class TakeSheet
{
    public function __construct(private WriteSheet $sheets) {}

    /**
     * @return ?Sheet null: somebody saved a version at this very moment
     *
     * @throws BadInput with the place of the first fault
     */
    public function take(string $json, TransferSwitch $switch, User $user): ?Sheet
    {
        [$settings, $habits, $note] = $this->read($json, new SwitchFacts($switch));

        return $this->sheets->write(
            $switch,
            $settings,
            $habits,
            Standing::Proposed,
            $note,
            $user,
            (int) $switch->sheets()->max('version'),
        );
    }

    /** @return array{array<string, mixed>, array<string, mixed>, ?string} settings, habits, note */
    private function read(string $json, SwitchFacts $facts): array
    {
        $object = Node::fromJson($json)->object();
        $object->required('format')->oneOf([ExportSheet::FORMAT]);
        foreach (['site', 'switch', 'version', 'standing', 'author', 'written_at', 'check'] as $told) {
            $object->optional($told); // who wrote it where: told by the file, not taken over
        }
        $note = $object->nullable('note')?->text(500);
        $settings = (new SettingsReader())->settings($object->required('settings'), $facts->plant);
        $habitsNode = $object->optional('habits');
        if ($habitsNode !== null) {
            (new CheckReader())->site($habitsNode);
        }
        $object->close();
        $habits = $habitsNode === null ? [] : json_decode(
            json_encode($habitsNode->value, JSON_THROW_ON_ERROR),
            true,
            16,
            JSON_THROW_ON_ERROR,
        );

        return [$settings->toWire(), is_array($habits) ? $habits : [], $note];
    }
}
