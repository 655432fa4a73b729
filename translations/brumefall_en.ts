<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en" sourcelanguage="en">
<context>
    <name>brumefall::app::CaptionsReview</name>
    <message numerus="yes">
        <source>The %n note(s) that were here gave way to these; Ctrl+Z brings them back.</source>
        <translation>
            <numerusform>The %n note that was here gave way to these; Ctrl+Z brings it back.</numerusform>
            <numerusform>The %n notes that were here gave way to these; Ctrl+Z brings them back.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::ExportDialog</name>
    <message numerus="yes">
        <source>%n page(s).</source>
        <translation>
            <numerusform>%n page.</numerusform>
            <numerusform>%n pages.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n page(s) went to the printer.</source>
        <translation>
            <numerusform>%n page went to the printer.</numerusform>
            <numerusform>%n pages went to the printer.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::NotesWorkspace</name>
    <message numerus="yes">
        <source>%n note(s). %1, %2.</source>
        <translation>
            <numerusform>%n note. %1, %2.</numerusform>
            <numerusform>%n notes. %1, %2.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>The %n note(s) that were here gave way to those of %1; Ctrl+Z brings them back.</source>
        <translation>
            <numerusform>The %n note that was here gave way to those of %1; Ctrl+Z brings it back.</numerusform>
            <numerusform>The %n notes that were here gave way to those of %1; Ctrl+Z brings them back.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::PlacesWorkspace</name>
    <message numerus="yes">
        <source>Mark %n note(s) again</source>
        <translation>
            <numerusform>Mark %n note again</numerusform>
            <numerusform>Mark %n notes again</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n note(s), placed by the rehearsal pace alone. Next: add the video of this stage (V).</source>
        <translation>
            <numerusform>%n note, placed by the rehearsal pace alone. Next: add the video of this stage (V).</numerusform>
            <numerusform>%n notes, placed by the rehearsal pace alone. Next: add the video of this stage (V).</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::PlanWorkspace</name>
    <message numerus="yes">
        <source>%n note(s)</source>
        <translation>
            <numerusform>%n note</numerusform>
            <numerusform>%n notes</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::TuningPanel</name>
    <message numerus="yes">
        <source>%n own full take(s)</source>
        <translation>
            <numerusform>%n own full take</numerusform>
            <numerusform>%n own full takes</numerusform>
        </translation>
    </message>
</context>
</TS>
