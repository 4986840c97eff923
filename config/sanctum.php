<?php

declare(strict_types=1);

// Tokens only: a session is for people, a token for programs, and the one never opens the other.
return ['guard' => [], 'routes' => false, 'expiration' => null];
