@extends('layouts.site', ['standing' => $page->standing, 'here' => 'commission'])
@section('title', $page->run->switch->site->name . ': procedure')
@section('main')
@include('commissioning.partials._procedure')
@endsection
