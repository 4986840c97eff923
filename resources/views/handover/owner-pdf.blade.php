<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>{{ $page->run->switch->site->name }}: how it behaves</title>@include('plan.partials._pdf-style')
<style>.strip-image { width: 182mm } .sign-image { width: 70mm } .struck { text-decoration: line-through } .facts th { width: 13%; color: #333 } .facts td { width: 37% }</style></head><body>
@include('handover.owner-body')
<h1 class="new-page">Report</h1>
@include('handover.body', ['isPdf' => true])
</body></html>
