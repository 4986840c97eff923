<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>{{ $page->run->switch->site->name }}: how it behaves</title>@include('plan.partials._pdf-style')
<style>.strip-image { width: 182mm } .sign-image { width: 70mm } .struck { text-decoration: line-through } .facts th { width: 13%; color: #333 } .facts td { width: 37% } .photo { width: 80mm }</style></head><body>
@include('handover.owner-body')
@if ($plan)
<div class="together"><h2>One-line, bonds as planned</h2><p><img alt="One-line" src="{{ $plan->picture->pdfImage() }}" @if ($plan->picture->isWide()) width="520" @else height="400" @endif></p></div>
@foreach ($landing->enclosures as $table)
<div class="together">@if ($loop->first)<h2>Landing and torque</h2>@endif<h3>{{ $table->name }}</h3><table><thead><tr><th>Terminal</th><th>Conductor</th><th>Run</th><th>Size</th><th>Colour</th><th>Torque</th></tr></thead><tbody>@foreach ($table->lines as $i => $line)<tr><td>{{ $line['terminal'] }}</td><td class="fig">{{ $line['conductor'] }}</td><td>{{ $line['feeder'] }}</td><td class="fig">{{ $line['size'] }}</td><td>{{ $table->colour($line) }}</td><td class="fig">{{ $table->target($i)['value'] }} <span class="small">{{ $table->target($i)['source'] }}</span></td></tr>@endforeach</tbody></table></div>
@endforeach
@endif
@if ($photos->isNotEmpty())
<h2>Pictures</h2>
<table><tbody>@foreach ($photos->chunk(2) as $pair)<tr>@foreach ($pair as $photo)<td><img class="photo" alt="" src="data:image/jpeg;base64,{{ base64_encode($photo->file?->small ?? '') }}"><br>{{ $photo->caption }} <span class="small">{{ \App\Models\Photo::MOMENTS[$photo->moment] }}</span></td>@endforeach @if ($pair->count() === 1)<td></td>@endif</tr>@endforeach</tbody></table>
@endif
<h1>Report</h1>
@include('handover.body', ['isPdf' => true])
</body></html>
