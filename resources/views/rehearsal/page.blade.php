@extends('layouts.site', ['standing' => $bench->standing, 'here' => 'rehearsal'])
@section('title', $bench->switch->site->name . ': rehearsal')
@section('frame', 'frame-wide')
@section('main')
    @include('rehearsal.partials._bench')
@endsection
