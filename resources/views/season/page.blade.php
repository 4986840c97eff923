@extends('layouts.site', ['standing' => $page->standing, 'here' => 'rehearsal'])
@section('title', $page->season->switch->site->name . ': season')
@section('main')
    @include('season.partials._season')
@endsection
