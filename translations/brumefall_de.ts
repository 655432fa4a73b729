<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
<context>
    <name>QObject</name>
    <message>
        <source>Undone: %1</source>
        <translation>Zurückgenommen: %1</translation>
    </message>
    <message>
        <source>Done again: %1</source>
        <translation>Wieder getan: %1</translation>
    </message>
    <message>
        <source>The take is back, but its recording is not in the trash any more.</source>
        <translation>Der Durchgang ist zurück, aber seine Aufnahme liegt nicht mehr im Papierkorb.</translation>
    </message>
    <message>
        <source>, line %1</source>
        <translation>, Zeile %1</translation>
    </message>
    <message>
        <source>%1 km</source>
        <translation>%1 km</translation>
    </message>
    <message>
        <source>, a part</source>
        <translation>, ein Teil</translation>
    </message>
    <message>
        <source>notes on time</source>
        <translation>Einträge rechtzeitig</translation>
    </message>
    <message>
        <source>%</source>
        <translation>%</translation>
    </message>
    <message>
        <source>notes late</source>
        <translation>Einträge zu spät</translation>
    </message>
    <message>
        <source>notes missed</source>
        <translation>Einträge ausgelassen</translation>
    </message>
    <message>
        <source>notes misread</source>
        <translation>Einträge falsch gelesen</translation>
    </message>
    <message>
        <source>lead beyond the planned one, median</source>
        <translation>Vorlauf gegenüber dem Plan, Median</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>rate while speaking</source>
        <translation>Tempo beim Sprechen</translation>
    </message>
    <message>
        <source>syllables a second</source>
        <translation>Silben je Sekunde</translation>
    </message>
    <message>
        <source>drift behind the plan</source>
        <translation>Rückstand auf den Plan</translation>
    </message>
    <message>
        <source>s a minute</source>
        <translation>s je Minute</translation>
    </message>
    <message>
        <source>the plan has it so</source>
        <translation>der Plan will es so</translation>
    </message>
    <message>
        <source>begun late</source>
        <translation>spät begonnen</translation>
    </message>
    <message>
        <source>the one before overran</source>
        <translation>die davor dauerte zu lang</translation>
    </message>
    <message>
        <source>read slowly</source>
        <translation>langsam gelesen</translation>
    </message>
    <message>
        <source>stumbled</source>
        <translation>verhaspelt</translation>
    </message>
    <message>
        <source>misread</source>
        <translation>falsch gelesen</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>ausgelassen</translation>
    </message>
    <message>
        <source>the place was lost</source>
        <translation>die Stelle war verloren</translation>
    </message>
    <message>
        <source>&lt;h2&gt;Brumefall is for a desk&lt;/h2&gt;&lt;p&gt;It is not for use by anyone who is driving, nor on open roads.&lt;/p&gt;&lt;p&gt;The recce follows the event&apos;s rules and the law&apos;s speed limits. Some events restrict onboard video, bought notes or devices in the car: check the regulations.&lt;/p&gt;&lt;p&gt;Predicted speeds and times are for rehearsal. They are not advice on how fast to drive.&lt;/p&gt;&lt;p&gt;Notes are verified on the recce by the crew. The driver&apos;s word, the marshals and the officials come before any figure here.&lt;/p&gt;</source>
        <translation>&lt;h2&gt;Brumefall gehört an den Schreibtisch&lt;/h2&gt;&lt;p&gt;Es ist für niemanden, der fährt, und nicht für öffentliche Straßen.&lt;/p&gt;&lt;p&gt;Für die Besichtigung gelten die Regeln der Veranstaltung und die gesetzlichen Tempolimits. Manche Veranstaltungen beschränken Videos aus dem Auto, gekaufte Aufschriebe oder Geräte im Auto: im Reglement nachsehen.&lt;/p&gt;&lt;p&gt;Vorhergesagte Geschwindigkeiten und Zeiten dienen dem Üben. Sie sind kein Rat, wie schnell zu fahren ist.&lt;/p&gt;&lt;p&gt;Den Aufschrieb prüft das Team bei der Besichtigung. Das Wort des Fahrers, die Streckenposten und der Veranstalter gehen jeder Zahl hier vor.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>(said first: %1)</source>
        <translation>(zuerst gesagt: %1)</translation>
    </message>
    <message>
        <source>guided</source>
        <translation>geführt</translation>
    </message>
    <message>
        <source>page only</source>
        <translation>nur die Seite</translation>
    </message>
    <message>
        <source>listen first</source>
        <translation>erst hören</translation>
    </message>
    <message>
        <source>stretch until clean</source>
        <translation>Abschnitt, bis er sitzt</translation>
    </message>
    <message>
        <source>thrown in</source>
        <translation>hineingeworfen</translation>
    </message>
    <message>
        <source>lost page</source>
        <translation>Seite weg</translation>
    </message>
    <message>
        <source>the driver&apos;s ear</source>
        <translation>das Ohr des Fahrers</translation>
    </message>
    <message>
        <source>when to start each call is shown</source>
        <translation>gezeigt wird, wann jede Ansage beginnt</translation>
    </message>
    <message>
        <source>nothing but the page, as in the car</source>
        <translation>nichts als die Seite, wie im Auto</translation>
    </message>
    <message>
        <source>the guide voice reads it once, then you</source>
        <translation>die Führungsstimme liest es einmal vor, dann sind Sie dran</translation>
    </message>
    <message>
        <source>the chosen notes again and again, until they were clean in a row</source>
        <translation>die gewählten Einträge immer wieder, bis sie mehrmals hintereinander saßen</translation>
    </message>
    <message>
        <source>begins somewhere: find the place on the page</source>
        <translation>beginnt irgendwo: die Stelle auf der Seite finden</translation>
    </message>
    <message>
        <source>the page goes blank now and then</source>
        <translation>ab und zu wird die Seite leer</translation>
    </message>
    <message>
        <source>the driver hears the calls and says earlier (E) or later (L)</source>
        <translation>der Fahrer hört die Ansagen und sagt früher (E) oder später (L)</translation>
    </message>
    <message>
        <source>%1  (%2)</source>
        <translation>%1  (%2)</translation>
    </message>
    <message>
        <source>fast corners</source>
        <translation>schnelle Kurven</translation>
    </message>
    <message>
        <source>medium corners</source>
        <translation>mittlere Kurven</translation>
    </message>
    <message>
        <source>slow corners</source>
        <translation>langsame Kurven</translation>
    </message>
    <message>
        <source>hazards</source>
        <translation>Gefahren</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>repeated</source>
        <translation>wiederholt</translation>
    </message>
    <message>
        <source>begun again</source>
        <translation>neu angesetzt</translation>
    </message>
    <message>
        <source>hesitated</source>
        <translation>gestockt</translation>
    </message>
    <message>
        <source>not due there</source>
        <translation>dort nicht dran</translation>
    </message>
    <message>
        <source>missed there</source>
        <translation>dort ausgelassen</translation>
    </message>
    <message>
        <source>said there</source>
        <translation>dort gesagt</translation>
    </message>
    <message>
        <source>%1 s later there</source>
        <translation>dort %1 s später</translation>
    </message>
    <message>
        <source>%1 s sooner there</source>
        <translation>dort %1 s früher</translation>
    </message>
    <message>
        <source>the same there</source>
        <translation>dort gleich</translation>
    </message>
    <message>
        <source>voice</source>
        <translation>Stimme</translation>
    </message>
    <message>
        <source>voice: as planned, and below as read</source>
        <translation>Stimme: wie geplant, darunter wie gelesen</translation>
    </message>
    <message>
        <source>voice: as planned, as read, and in the other take</source>
        <translation>Stimme: wie geplant, wie gelesen und im anderen Durchgang</translation>
    </message>
    <message>
        <source>road</source>
        <translation>Straße</translation>
    </message>
    <message>
        <source>%1 s %2</source>
        <translation>%1 s %2</translation>
    </message>
    <message>
        <source>sooner</source>
        <translation>früher</translation>
    </message>
    <message>
        <source>later</source>
        <translation>später</translation>
    </message>
    <message>
        <source>, %1 s too late</source>
        <translation>, %1 s zu spät</translation>
    </message>
    <message>
        <source>, %1 s too early</source>
        <translation>, %1 s zu früh</translation>
    </message>
    <message>
        <source>, in time</source>
        <translation>, rechtzeitig</translation>
    </message>
    <message>
        <source>%1 s late</source>
        <translation>%1 s zu spät</translation>
    </message>
    <message>
        <source>%1 s early</source>
        <translation>%1 s zu früh</translation>
    </message>
    <message>
        <source>on time</source>
        <translation>rechtzeitig</translation>
    </message>
    <message>
        <source>%1 s after  %2 m</source>
        <translation>%1 s danach  %2 m</translation>
    </message>
    <message>
        <source>%1 s  %2 m</source>
        <translation>%1 s  %2 m</translation>
    </message>
    <message>
        <source>Nothing is planned yet. Write the notes (F1) and give them places (F2).</source>
        <translation>Noch ist nichts geplant. Schreiben Sie die Einträge (F1) und geben Sie ihnen Stellen (F2).</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Eingabe</translation>
    </message>
    <message>
        <source>%1 km/h</source>
        <translation>%1 km/h</translation>
    </message>
    <message>
        <source>faster than the player can show</source>
        <translation>schneller, als der Abspieler zeigen kann</translation>
    </message>
    <message>
        <source>pull, brake</source>
        <translation>ziehen, bremsen</translation>
    </message>
    <message>
        <source>0 s</source>
        <translation>0 s</translation>
    </message>
    <message>
        <source>+%1 s</source>
        <translation>+%1 s</translation>
    </message>
    <message>
        <source>−%1 s</source>
        <translation>−%1 s</translation>
    </message>
    <message>
        <source>%1 behind %2</source>
        <translation>%1 hinter %2</translation>
    </message>
    <message>
        <source>%1 ahead of %2</source>
        <translation>%1 vor %2</translation>
    </message>
    <message>
        <source>Write the notes first (F1): they give the road.</source>
        <translation>Erst die Einträge schreiben (F1): aus ihnen entsteht die Straße.</translation>
    </message>
</context>
<context>
    <name>Rows</name>
    <message>
        <source>%1 to %2</source>
        <translation>%1 bis %2</translation>
    </message>
</context>
<context>
    <name>brumefall::app::AdvicePanel</name>
    <message>
        <source>Where it cannot be done</source>
        <translation>Wo es nicht geht</translation>
    </message>
    <message>
        <source>Do this</source>
        <translation>So machen</translation>
    </message>
    <message>
        <source>Where to breathe?</source>
        <translation>Wo atmen?</translation>
    </message>
    <message>
        <source>Let all go</source>
        <translation>Alle freigeben</translation>
    </message>
    <message>
        <source>Note %1</source>
        <translation>Eintrag %1</translation>
    </message>
    <message>
        <source>Notes %1 to %2</source>
        <translation>Einträge %1 bis %2</translation>
    </message>
    <message>
        <source>: %1 s short</source>
        <translation>: %1 s zu wenig</translation>
    </message>
    <message>
        <source>; %1 syllables a second would do</source>
        <translation>; mit %1 Silben je Sekunde ginge es</translation>
    </message>
    <message>
        <source>Where to breathe? (B)</source>
        <translation>Wo atmen? (B)</translation>
    </message>
    <message>
        <source>Write the notes first (F1).</source>
        <translation>Erst die Einträge schreiben (F1).</translation>
    </message>
    <message>
        <source>Nowhere: nothing comes too late. Next: read it (F4).</source>
        <translation>Nirgends: nichts kommt zu spät. Weiter: lesen (F4).</translation>
    </message>
    <message>
        <source>Weak: note %1, %2. In time %3 times in 100; it holds up to %4 times the pace.</source>
        <translation>Schwach: Eintrag %1, %2. Rechtzeitig in %3 von 100 Fällen; er hält bis zum %4-fachen Fahrttempo.</translation>
    </message>
    <message>
        <source>Breathe where it is proposed</source>
        <translation>Atmen, wo es vorgeschlagen ist</translation>
    </message>
    <message>
        <source>The breaths are where they are best already.</source>
        <translation>Die Atemstellen sind schon, wo sie am besten sind.</translation>
    </message>
    <message>
        <source>Breathe so (B)</source>
        <translation>So atmen (B)</translation>
    </message>
    <message>
        <source>Proposed%6: %1 breaths elsewhere, %2 calls instead of %3; out of their windows then %4 notes instead of %5: the dashed calls in the picture. B once more takes it; any other change forgets it.</source>
        <translation>Vorgeschlagen%6: %1 Atemstellen anderswo, %2 Ansagen statt %3; außerhalb ihrer Fenster dann %4 Einträge statt %5: die gestrichelten Ansagen im Bild. Noch einmal B übernimmt es; jede andere Änderung verwirft es.</translation>
    </message>
    <message>
        <source> for this stretch</source>
        <translation> für diesen Abschnitt</translation>
    </message>
</context>
<context>
    <name>brumefall::app::BoardPage</name>
    <message>
        <source>The stages of the rally</source>
        <translation>Die Prüfungen der Rallye</translation>
    </message>
    <message>
        <source>stage</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>notes</source>
        <translation>Einträge</translation>
    </message>
    <message>
        <source>placed</source>
        <translation>verortet</translation>
    </message>
    <message>
        <source>squeezes</source>
        <translation>Engpässe</translation>
    </message>
    <message>
        <source>takes</source>
        <translation>Durchgänge</translation>
    </message>
    <message>
        <source>on time</source>
        <translation>rechtzeitig</translation>
    </message>
    <message>
        <source>last read</source>
        <translation>zuletzt gelesen</translation>
    </message>
    <message>
        <source>weakest</source>
        <translation>am schwächsten</translation>
    </message>
    <message>
        <source>Open it</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>Its crew reads the open stage</source>
        <translation>Ihr Team liest die offene Prüfung</translation>
    </message>
    <message>
        <source>Takes its language, reader, driver and crew over into the stage that is open</source>
        <translation>Übernimmt ihre Sprache, Leser, Fahrer und Team in die offene Prüfung</translation>
    </message>
    <message>
        <source>A folder of stages is a rally: what is put into it stands here.</source>
        <translation>Ein Ordner mit Prüfungen ist eine Rallye: was hineingelegt wird, steht hier.</translation>
    </message>
    <message>
        <source>notes %1, never read</source>
        <translation>Einträge %1, nie gelesen</translation>
    </message>
    <message>
        <source>notes %1, %2 % go wrong</source>
        <translation>Einträge %1, %2 % misslingen</translation>
    </message>
    <message>
        <source>  in %1</source>
        <translation>  in %1</translation>
    </message>
    <message>
        <source>  ×%1</source>
        <translation>  ×%1</translation>
    </message>
    <message>
        <source>  (open)</source>
        <translation>  (offen)</translation>
    </message>
    <message>
        <source>cannot be read</source>
        <translation>ist nicht lesbar</translation>
    </message>
    <message>
        <source>no video</source>
        <translation>kein Video</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>never</source>
        <translation>nie</translation>
    </message>
    <message>
        <source>no notes yet</source>
        <translation>noch keine Einträge</translation>
    </message>
    <message>
        <source>all</source>
        <translation>alle</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation>und %1 weitere</translation>
    </message>
</context>
<context>
    <name>brumefall::app::ByHandBar</name>
    <message>
        <source>Was said right</source>
        <translation>War richtig gesagt</translation>
    </message>
    <message>
        <source>The note was said as it is written, whatever was heard</source>
        <translation>Der Eintrag wurde gesagt, wie er dasteht, was auch gehört wurde</translation>
    </message>
    <message>
        <source>Not this note</source>
        <translation>Nicht dieser Eintrag</translation>
    </message>
    <message>
        <source>What was heard here is no reading of this note</source>
        <translation>Was hier gehört wurde, ist nicht dieser Eintrag</translation>
    </message>
    <message>
        <source>Split here</source>
        <translation>Hier teilen</translation>
    </message>
    <message>
        <source>From the lamp on it is the next note: play the note, and stop where that begins</source>
        <translation>Von der Lampe an ist es der nächste Eintrag: spielen Sie den Eintrag ab und halten Sie, wo jener beginnt</translation>
    </message>
    <message>
        <source>It is note…</source>
        <translation>Es ist Eintrag…</translation>
    </message>
    <message>
        <source>What was heard here is another note: its number</source>
        <translation>Was hier gehört wurde, ist ein anderer Eintrag: seine Nummer</translation>
    </message>
    <message>
        <source>The number of the note that it is</source>
        <translation>Die Nummer des Eintrags, der es ist</translation>
    </message>
    <message>
        <source>its number (Enter)</source>
        <translation>seine Nummer (Eingabe)</translation>
    </message>
    <message>
        <source>What was read of the note a little sooner</source>
        <translation>Was vom Eintrag gelesen wurde, etwas früher</translation>
    </message>
    <message>
        <source>What was read of the note a little later</source>
        <translation>Was vom Eintrag gelesen wurde, etwas später</translation>
    </message>
    <message>
        <source>Move what was read of note %1</source>
        <translation>Gelesenes von Eintrag %1 verschieben</translation>
    </message>
    <message>
        <source>It is not note %1</source>
        <translation>Es ist nicht Eintrag %1</translation>
    </message>
    <message>
        <source>Note %1 was said right</source>
        <translation>Eintrag %1 war richtig gesagt</translation>
    </message>
    <message>
        <source>There is no note after this one that the rest could be.</source>
        <translation>Nach diesem Eintrag kommt keiner, der der Rest sein könnte.</translation>
    </message>
    <message>
        <source>The lamp is not within what was read of this note. Play it (Enter), and stop where the next note begins (Space).</source>
        <translation>Die Lampe steht nicht in dem, was von diesem Eintrag gelesen wurde. Abspielen (Eingabe) und halten, wo der nächste Eintrag beginnt (Leertaste).</translation>
    </message>
    <message>
        <source>Split what was read of note %1</source>
        <translation>Gelesenes von Eintrag %1 teilen</translation>
    </message>
    <message>
        <source>There is no other note %1 in this take.</source>
        <translation>Einen anderen Eintrag %1 gibt es in diesem Durchgang nicht.</translation>
    </message>
    <message>
        <source>What was read as note %1 is note %2</source>
        <translation>Was als Eintrag %1 gelesen wurde, ist Eintrag %2</translation>
    </message>
</context>
<context>
    <name>brumefall::app::CalibrationPanel</name>
    <message>
        <source>Plan with this</source>
        <translation>Damit planen</translation>
    </message>
    <message>
        <source>The calls to read aloud</source>
        <translation>Die Ansagen zum Vorlesen</translation>
    </message>
    <message>
        <source>Who reads</source>
        <translation>Wer liest</translation>
    </message>
    <message>
        <source>Back to the plan</source>
        <translation>Zurück zum Plan</translation>
    </message>
    <message>
        <source>read by</source>
        <translation>gelesen von</translation>
    </message>
    <message>
        <source>Simulated reader</source>
        <translation>Simulierter Leser</translation>
    </message>
    <message>
        <source>Only %1 calls were heard, too few to measure from. Read on a little longer, close to the microphone.</source>
        <translation>Nur %1 Ansagen wurden gehört, zu wenige zum Messen. Lesen Sie etwas länger, nah am Mikrofon.</translation>
    </message>
    <message>
        <source>From %1 calls: %2 syllables a second, at most %3; a breath of %4 s; at longest %5 s without one.</source>
        <translation>Aus %1 Ansagen: %2 Silben je Sekunde, höchstens %3; ein Atemzug von %4 s; längstens %5 s ohne einen.</translation>
    </message>
    <message>
        <source>Measure the reader by reading aloud</source>
        <translation>Den Leser durch Vorlesen messen</translation>
    </message>
    <message>
        <source>There is nothing to read yet: write the notes (F1).</source>
        <translation>Noch ist nichts zu lesen da: schreiben Sie die Einträge (F1).</translation>
    </message>
    <message>
        <source>Read these calls aloud as you would in the car, one after another, without waiting for the road.</source>
        <translation>Lesen Sie diese Ansagen laut wie im Auto, eine nach der anderen, ohne auf die Straße zu warten.</translation>
    </message>
    <message>
        <source>Reading: %1 s left. Stop when you have had enough.</source>
        <translation>Es läuft: noch %1 s. Halten Sie an, wenn es genug ist.</translation>
    </message>
    <message>
        <source>Finding your calls in the recording…</source>
        <translation>Ihre Ansagen werden in der Aufnahme gesucht…</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Halt</translation>
    </message>
    <message>
        <source>Read again</source>
        <translation>Noch einmal lesen</translation>
    </message>
    <message>
        <source>Start reading</source>
        <translation>Zu lesen beginnen</translation>
    </message>
</context>
<context>
    <name>brumefall::app::CaptionsReview</name>
    <message>
        <source>without “%1”</source>
        <translation>ohne „%1“</translation>
    </message>
    <message>
        <source>look: %1</source>
        <translation>ansehen: %1</translation>
    </message>
    <message>
        <source>take</source>
        <translation>nehmen</translation>
    </message>
    <message>
        <source>time</source>
        <translation>Zeit</translation>
    </message>
    <message>
        <source>as captioned</source>
        <translation>wie in den Untertiteln</translation>
    </message>
    <message>
        <source>as proposed</source>
        <translation>wie vorgeschlagen</translation>
    </message>
    <message>
        <source>what is mended</source>
        <translation>was berichtigt ist</translation>
    </message>
    <message>
        <source>sure</source>
        <translation>sicher</translation>
    </message>
    <message>
        <source>Make these the notes</source>
        <translation>Das sind die Einträge</translation>
    </message>
    <message>
        <source>Look here</source>
        <translation>Hier ansehen</translation>
    </message>
    <message>
        <source>Take all</source>
        <translation>Alle nehmen</translation>
    </message>
    <message>
        <source>Take none</source>
        <translation>Keine nehmen</translation>
    </message>
    <message>
        <source>Only what is sure</source>
        <translation>Nur was sicher ist</translation>
    </message>
    <message>
        <source>Each as a stage of the rally…</source>
        <translation>Jede als Prüfung der Rallye…</translation>
    </message>
    <message>
        <source>Keep the old notes</source>
        <translation>Die alten Einträge behalten</translation>
    </message>
    <message>
        <source>stage %1: %2 to %3, %4 calls</source>
        <translation>Prüfung %1: %2 bis %3, %4 Ansagen</translation>
    </message>
    <message>
        <source>%1 stages in %2</source>
        <translation>%1 Prüfungen in %2</translation>
    </message>
    <message>
        <source>Captions in %1</source>
        <translation>Untertitel in %1</translation>
    </message>
    <message>
        <source>keep their times until there is a video</source>
        <translation>ihre Zeiten behalten, bis ein Video da ist</translation>
    </message>
    <message>
        <source>talk, no note</source>
        <translation>Gerede, kein Eintrag</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>The recording that these captions are of</source>
        <translation>Die Aufnahme, zu der diese Untertitel gehören</translation>
    </message>
    <message>
        <source>%1 stages were made in %2. Each has its span of the recording as its pass; the board (F6) shows them.</source>
        <translation>%1 Prüfungen sind in %2 entstanden. Jede hat ihren Ausschnitt der Aufnahme als Fahrt; die Tafel (F6) zeigt sie.</translation>
    </message>
    <message>
        <source>O: %1</source>
        <translation>O: %1</translation>
    </message>
    <message>
        <source>no note</source>
        <translation>kein Eintrag</translation>
    </message>
    <message>
        <source>Other reading</source>
        <translation>Andere Lesart</translation>
    </message>
    <message>
        <source>It is right</source>
        <translation>Stimmt so</translation>
    </message>
    <message>
        <source>Next: look at the %1 calls in doubt, least sure first (F8). O takes the other reading, K keeps what is proposed. </source>
        <translation>Weiter: die %1 zweifelhaften Ansagen ansehen, die unsicherste zuerst (F8). O nimmt die andere Lesart, K behält den Vorschlag. </translation>
    </message>
    <message>
        <source>Nothing here could well be read in another way.</source>
        <translation>Hier ist nichts, das man gut anders lesen könnte.</translation>
    </message>
    <message>
        <source>Heard in %1</source>
        <translation>Gehört in %1</translation>
    </message>
    <message>
        <source>as heard</source>
        <translation>wie gehört</translation>
    </message>
    <message>
        <source>%1 s after they are said</source>
        <translation>%1 s nachdem sie gesagt sind</translation>
    </message>
    <message>
        <source>draft places in pass “%1”, %2</source>
        <translation>Entwurfsorte in der Fahrt „%1“, %2</translation>
    </message>
    <message>
        <source>this video is the pass, draft places %1</source>
        <translation>dieses Video wird die Fahrt, Entwurfsorte %1</translation>
    </message>
    <message>
        <source>Go as it was heard</source>
        <translation>Start wie gehört</translation>
    </message>
    <message>
        <source>Take what was read in %1</source>
        <translation>Übernehmen, was in %1 gelesen wurde</translation>
    </message>
    <message>
        <source>%1, then by the bends of %2</source>
        <translation>%1, dann nach den Bögen von %2</translation>
    </message>
    <message>
        <source>The bends of %1 and these notes do not fit each other.</source>
        <translation>Die Bögen von %1 und dieser Aufschrieb passen nicht zueinander.</translation>
    </message>
    <message>
        <source>Places by the bends of %1</source>
        <translation>Stellen nach den Bögen von %1</translation>
    </message>
    <message>
        <source>%1 places lie where the bends of %2 have them; look at the others first.</source>
        <translation>%1 Stellen liegen, wo die Bögen von %2 sie haben; die anderen zuerst ansehen.</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>%1 s of talk</source>
        <translation>%1 s Gerede</translation>
    </message>
    <message>
        <source>%1 places lie as the bends of %2 have them, but all as early or late as they were said: mark four, then lay the log by them (Places, Track).</source>
        <translation>%1 Stellen liegen, wie die Bögen von %2 sie haben, aber alle so früh oder spät, wie sie gesagt wurden: vier markieren, dann das Log danach anlegen (Stellen, Track).</translation>
    </message>
    <message>
        <source>%1 calls; mended: %2, taken of these: %3 (Enter changes it). What is not taken stays as it stands on the left.</source>
        <translation>%1 Ansagen; ausgebessert: %2, davon genommen: %3 (Eingabe ändert es). Was nicht genommen wird, bleibt, wie es links steht.</translation>
    </message>
    <message numerus="yes">
        <source>The %n note(s) that were here gave way to these; Ctrl+Z brings them back.</source>
        <translation>
            <numerusform>Der %n Eintrag, der hier stand, ist diesen gewichen; Strg+Z bringt ihn zurück.</numerusform>
            <numerusform>Die %n Einträge, die hier standen, sind diesen gewichen; Strg+Z bringt sie zurück.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::Caution</name>
    <message>
        <source>We have read this (Enter)</source>
        <translation>Wir haben das gelesen (Eingabe)</translation>
    </message>
</context>
<context>
    <name>brumefall::app::DiaryPage</name>
    <message>
        <source>Diary, a line an evening</source>
        <translation>Tagebuch, eine Zeile je Abend</translation>
    </message>
    <message>
        <source>day</source>
        <translation>Tag</translation>
    </message>
    <message>
        <source>what was read</source>
        <translation>was gelesen wurde</translation>
    </message>
</context>
<context>
    <name>brumefall::app::DictationSession</name>
    <message>
        <source>Dictate to %1: a line for each breath. “Scratch that” takes the last one back, Alt+D stops.</source>
        <translation>Diktieren in %1: eine Zeile je Atemzug. „Scratch that“ nimmt die letzte zurück, Alt+D beendet.</translation>
    </message>
    <message>
        <source>Nothing is heard from %1. Is it muted?</source>
        <translation>Von %1 ist nichts zu hören. Ist es stumm?</translation>
    </message>
    <message>
        <source>Heard: “%1”…</source>
        <translation>Gehört: „%1“…</translation>
    </message>
    <message>
        <source>Not sure of “%1”: say it again.</source>
        <translation>„%1“ ist unsicher: noch einmal sagen.</translation>
    </message>
    <message>
        <source>Dictate “%1”</source>
        <translation>„%1“ diktieren</translation>
    </message>
    <message>
        <source>Written: “%1”. “Scratch that” takes it back, Alt+D stops.</source>
        <translation>Geschrieben: „%1“. „Scratch that“ nimmt es zurück, Alt+D beendet.</translation>
    </message>
    <message>
        <source>Nothing was dictated that could be taken back.</source>
        <translation>Es wurde nichts diktiert, das zurückgenommen werden könnte.</translation>
    </message>
    <message>
        <source>The notes were changed since: take it back by hand.</source>
        <translation>Die Ansagen wurden seitdem geändert: von Hand zurücknehmen.</translation>
    </message>
    <message>
        <source>Take back “%1”</source>
        <translation>„%1“ zurücknehmen</translation>
    </message>
    <message>
        <source>Taken back: “%1”.</source>
        <translation>Zurückgenommen: „%1“.</translation>
    </message>
    <message>
        <source>The dictation has ended. Lines written: %1.</source>
        <translation>Das Diktat ist beendet. Geschriebene Zeilen: %1.</translation>
    </message>
    <message>
        <source>No notes were heard in that.</source>
        <translation>Darin waren keine Notizen zu hören.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::DistancesPanel</name>
    <message>
        <source>Noted distances and measured ones</source>
        <translation>Aufgeschriebene und gemessene Entfernungen</translation>
    </message>
    <message>
        <source>#</source>
        <translation>#</translation>
    </message>
    <message>
        <source>after</source>
        <translation>nach</translation>
    </message>
    <message>
        <source>you call</source>
        <translation>angesagt</translation>
    </message>
    <message>
        <source>it is</source>
        <translation>es sind</translation>
    </message>
    <message>
        <source>call it</source>
        <translation>ansagen</translation>
    </message>
    <message>
        <source>Say it as it is</source>
        <translation>Ansagen, wie es ist</translation>
    </message>
    <message>
        <source>%1 m</source>
        <translation>%1 m</translation>
    </message>
    <message>
        <source>%1</source>
        <translation>%1</translation>
    </message>
    <message>
        <source>Distances are measured by a track: load one (Track).</source>
        <translation>Entfernungen misst ein Track: laden Sie einen (Track).</translation>
    </message>
    <message>
        <source>Every noted distance is as measured, as far as the places are known.</source>
        <translation>Jede aufgeschriebene Entfernung stimmt mit der gemessenen überein, so genau die Stellen bekannt sind.</translation>
    </message>
    <message>
        <source>Off by more than rounding explains: %1, worst first. You call %2 here; it is %3 m.</source>
        <translation>Weiter daneben, als Runden erklärt: %1, die schlimmsten zuerst. Hier sagen Sie %2; es sind %3 m.</translation>
    </message>
    <message>
        <source>Call %1 m after note %2</source>
        <translation>Nach Eintrag %2 %1 m ansagen</translation>
    </message>
</context>
<context>
    <name>brumefall::app::Document</name>
    <message>
        <source>What was changed last could not be saved first.</source>
        <translation>Was zuletzt geändert wurde, ließ sich vorher nicht speichern.</translation>
    </message>
    <message>
        <source>There is a stage in %1 already; open it instead.</source>
        <translation>In %1 liegt schon eine Prüfung; öffnen Sie stattdessen diese.</translation>
    </message>
    <message>
        <source>note %1</source>
        <translation>Eintrag %1</translation>
    </message>
    <message>
        <source>notes %1 to %2</source>
        <translation>Einträge %1 bis %2</translation>
    </message>
    <message>
        <source>Edit the notes</source>
        <translation>Die Einträge bearbeiten</translation>
    </message>
    <message>
        <source>Take the captions of %1</source>
        <translation>Die Untertitel von %1 übernehmen</translation>
    </message>
    <message>
        <source>Places by the captions of %1</source>
        <translation>Stellen nach den Untertiteln von %1</translation>
    </message>
    <message>
        <source>The crew of %1</source>
        <translation>Das Team von %1</translation>
    </message>
    <message>
        <source>Rename the stage</source>
        <translation>Die Prüfung umbenennen</translation>
    </message>
    <message>
        <source>Mark note %1</source>
        <translation>Eintrag %1 markieren</translation>
    </message>
    <message>
        <source>Remove the mark of note %1</source>
        <translation>Die Marke von Eintrag %1 entfernen</translation>
    </message>
    <message>
        <source>Add the pass “%1”</source>
        <translation>Die Fahrt „%1“ hinzufügen</translation>
    </message>
    <message>
        <source>Remove the pass “%1”</source>
        <translation>Die Fahrt „%1“ entfernen</translation>
    </message>
    <message>
        <source>A pass is a file of its name: “%1” cannot be one.</source>
        <translation>Eine Fahrt ist eine Datei ihres Namens: „%1“ kann keine sein.</translation>
    </message>
    <message>
        <source>There is a pass called “%1” already.</source>
        <translation>Eine Fahrt namens „%1“ gibt es schon.</translation>
    </message>
    <message>
        <source>Rename the pass “%1”</source>
        <translation>Die Fahrt „%1“ umbenennen</translation>
    </message>
    <message>
        <source>The driver says “%1” of note %2</source>
        <translation>Der Fahrer sagt „%1“ zu Eintrag %2</translation>
    </message>
    <message>
        <source>Take away what the driver said of note %1</source>
        <translation>Wegnehmen, was der Fahrer zu Eintrag %1 gesagt hat</translation>
    </message>
    <message>
        <source>Name the take %1</source>
        <translation>Den Durchgang %1 benennen</translation>
    </message>
    <message>
        <source>Reword note %1</source>
        <translation>Eintrag %1 anders sagen</translation>
    </message>
    <message>
        <source>Remove the take %1</source>
        <translation>Den Durchgang %1 entfernen</translation>
    </message>
    <message>
        <source>There is no trash to put the take into; it was not removed.</source>
        <translation>Es gibt keinen Papierkorb für den Durchgang; er wurde nicht entfernt.</translation>
    </message>
    <message>
        <source>The take %1 is in the trash; Ctrl+Z brings it back.</source>
        <translation>Der Durchgang %1 liegt im Papierkorb; Strg+Z bringt ihn zurück.</translation>
    </message>
    <message>
        <source>%1 is %2 s longer than the video that this pass was made from; check its go and its marks.</source>
        <translation>%1 ist %2 s länger als das Video, aus dem diese Fahrt entstand; prüfen Sie Start und Marken.</translation>
    </message>
    <message>
        <source>%1 is %2 s shorter than the video that this pass was made from; check its go and its marks.</source>
        <translation>%1 ist %2 s kürzer als das Video, aus dem diese Fahrt entstand; prüfen Sie Start und Marken.</translation>
    </message>
    <message>
        <source>%1 The pass was not changed.</source>
        <translation>%1 Die Fahrt wurde nicht geändert.</translation>
    </message>
    <message>
        <source>Find the video again</source>
        <translation>Das Video wiederfinden</translation>
    </message>
    <message>
        <source>Change the rehearsal pace</source>
        <translation>Das Übungstempo ändern</translation>
    </message>
    <message>
        <source>Change what is said again</source>
        <translation>Ändern, was noch einmal gesagt wird</translation>
    </message>
    <message>
        <source>Let the call of %1 go where the plan wants it</source>
        <translation>Die Ansage %1 hinlassen, wo der Plan sie will</translation>
    </message>
    <message>
        <source>Move the call of %1 %2</source>
        <translation>Die Ansage %1 %2 verschieben</translation>
    </message>
    <message>
        <source>sooner</source>
        <translation>früher</translation>
    </message>
    <message>
        <source>later</source>
        <translation>später</translation>
    </message>
    <message>
        <source>Note %1 earlier</source>
        <translation>Eintrag %1 früher</translation>
    </message>
    <message>
        <source>Note %1 later</source>
        <translation>Eintrag %1 später</translation>
    </message>
    <message>
        <source>Let the whole plan go where it wants</source>
        <translation>Den ganzen Plan freigeben</translation>
    </message>
    <message>
        <source>What was changed here could be saved nowhere yet, so this stage stays open. Make room on the disk, or save a copy elsewhere (Ctrl+Shift+S).</source>
        <translation>Was hier geändert wurde, ließ sich noch nirgends speichern; die Prüfung bleibt deshalb offen. Schaffen Sie Platz auf dem Datenträger oder speichern Sie anderswo eine Kopie (Strg+Umschalt+S).</translation>
    </message>
    <message>
        <source>stage.brumefall: %1.</source>
        <translation>stage.brumefall: %1.</translation>
    </message>
    <message>
        <source>What could not be saved last time is back, and saved now.</source>
        <translation>Was beim letzten Mal nicht zu speichern war, ist wieder da und nun gespeichert.</translation>
    </message>
    <message>
        <source>A recording belongs to no take: takes/%1. “From elsewhere” in Review (F5) judges it.</source>
        <translation>Eine Aufnahme gehört zu keinem Durchgang: takes/%1. „Von anderswo“ in Auswerten (F5) beurteilt sie.</translation>
    </message>
    <message>
        <source>%1 The take is kept aside until its stage is opened again.</source>
        <translation>%1 Der Durchgang wird aufbewahrt, bis seine Prüfung wieder geöffnet wird.</translation>
    </message>
    <message>
        <source>The take was not kept on the disk. %1</source>
        <translation>Der Durchgang wurde nicht auf dem Datenträger behalten. %1</translation>
    </message>
    <message>
        <source>Not saved: the stage&apos;s folder is not there any more (%1). Bring it back, or save a copy (Ctrl+Shift+S).</source>
        <translation>Nicht gespeichert: den Ordner der Prüfung gibt es nicht mehr (%1). Bringen Sie ihn zurück oder speichern Sie eine Kopie (Strg+Umschalt+S).</translation>
    </message>
    <message>
        <source>Not saved yet; it is tried again every few seconds. %1.</source>
        <translation>Noch nicht gespeichert; es wird alle paar Sekunden wieder versucht. %1.</translation>
    </message>
    <message>
        <source>%1 Until then it is kept in the application&apos;s own folder.</source>
        <translation>%1 Bis dahin liegt es im eigenen Ordner der Anwendung.</translation>
    </message>
    <message>
        <source>%1 It could be kept nowhere else either (%2): leave this window open.</source>
        <translation>%1 Auch anderswo war es nicht zu behalten (%2): lassen Sie dieses Fenster offen.</translation>
    </message>
    <message>
        <source>Another window or program has changed this stage meanwhile. What is here was saved; the other version is kept beside it as “%1”.</source>
        <translation>Ein anderes Fenster oder Programm hat diese Prüfung inzwischen geändert. Gespeichert wurde, was hier steht; die andere Fassung liegt daneben als „%1“.</translation>
    </message>
    <message>
        <source>This stage is open in another window, too. Change it in one of them only: what the other one saves is kept beside it.</source>
        <translation>Diese Prüfung ist noch in einem anderen Fenster offen. Ändern Sie sie nur in einem: was das andere speichert, wird daneben aufbewahrt.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::DriverPanel</name>
    <message>
        <source>The driver&apos;s wishes</source>
        <translation>Die Wünsche des Fahrers</translation>
    </message>
    <message>
        <source>Drivers</source>
        <translation>Fahrer</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Keep these wishes by name…</source>
        <translation>Diese Wünsche unter einem Namen behalten…</translation>
    </message>
    <message>
        <source>Save them as a file…</source>
        <translation>Als Datei speichern…</translation>
    </message>
    <message>
        <source>Take a driver&apos;s file…</source>
        <translation>Die Datei eines Fahrers nehmen…</translation>
    </message>
    <message>
        <source>Change the wished lead: %1</source>
        <translation>Den gewünschten Vorlauf ändern: %1</translation>
    </message>
    <message>
        <source>Fast corners</source>
        <translation>Schnelle Kurven</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>Medium corners</source>
        <translation>Mittlere Kurven</translation>
    </message>
    <message>
        <source>Slow corners</source>
        <translation>Langsame Kurven</translation>
    </message>
    <message>
        <source>Hazards</source>
        <translation>Gefahren</translation>
    </message>
    <message>
        <source>More for a warning</source>
        <translation>Mehr bei Warnung</translation>
    </message>
    <message>
        <source>More where it is fast</source>
        <translation>Mehr, wo es schnell ist</translation>
    </message>
    <message>
        <source>s per 10 m/s</source>
        <translation>s je 10 m/s</translation>
    </message>
    <message>
        <source>Added for every 10 metres a second of approach speed above 15</source>
        <translation>Zusätzlich für je 10 Meter je Sekunde Anfahrt über 15</translation>
    </message>
    <message>
        <source>Never less than</source>
        <translation>Nie weniger als</translation>
    </message>
    <message>
        <source>m</source>
        <translation>m</translation>
    </message>
    <message>
        <source>Reaction</source>
        <translation>Reaktion</translation>
    </message>
    <message>
        <source>Notes held in mind</source>
        <translation>Einträge im Kopf</translation>
    </message>
    <message>
        <source>Change how many notes the driver holds</source>
        <translation>Ändern, wie viele Einträge der Fahrer behält</translation>
    </message>
    <message>
        <source>How often a note is said</source>
        <translation>Wie oft ein Eintrag gesagt wird</translation>
    </message>
    <message>
        <source>once</source>
        <translation>einmal</translation>
    </message>
    <message>
        <source>again if dangerous</source>
        <translation>noch einmal bei Gefahr</translation>
    </message>
    <message>
        <source>again after 5 s</source>
        <translation>noch einmal nach 5 s</translation>
    </message>
    <message>
        <source>again, both</source>
        <translation>noch einmal, beides</translation>
    </message>
    <message>
        <source>Notes read on the start line</source>
        <translation>An der Startlinie gelesene Einträge</translation>
    </message>
    <message>
        <source>line-up </source>
        <translation>Start </translation>
    </message>
    <message>
        <source>How many notes are read on the start line, before the countdown</source>
        <translation>Wie viele Einträge an der Startlinie gelesen werden, vor dem Countdown</translation>
    </message>
    <message>
        <source>Said</source>
        <translation>Gesagt</translation>
    </message>
    <message>
        <source>You read</source>
        <translation>Sie lesen</translation>
    </message>
    <message>
        <source>1 min</source>
        <translation>1 min</translation>
    </message>
    <message>
        <source>Measure it: read aloud for a minute</source>
        <translation>Messen: eine Minute vorlesen</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Gelesen</translation>
    </message>
    <message>
        <source>Measure it from the takes of this stage</source>
        <translation>Aus den Durchgängen dieser Prüfung messen</translation>
    </message>
    <message>
        <source>Change how you read: %1</source>
        <translation>Ändern, wie Sie lesen: %1</translation>
    </message>
    <message>
        <source>syllables/s</source>
        <translation>Silben/s</translation>
    </message>
    <message>
        <source>Rate</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>Fastest</source>
        <translation>Höchstens</translation>
    </message>
    <message>
        <source>Breath</source>
        <translation>Atem</translation>
    </message>
    <message>
        <source>Longest without one</source>
        <translation>Längstens ohne</translation>
    </message>
    <message>
        <source>this stage&apos;s own wishes</source>
        <translation>dieser Prüfung</translation>
    </message>
    <message>
        <source>Plan for %1</source>
        <translation>Für %1 planen</translation>
    </message>
    <message>
        <source>Keep these wishes</source>
        <translation>Diese Wünsche behalten</translation>
    </message>
    <message>
        <source>The driver&apos;s name</source>
        <translation>Der Name des Fahrers</translation>
    </message>
    <message>
        <source>The driver&apos;s wishes as a file</source>
        <translation>Die Wünsche des Fahrers als Datei</translation>
    </message>
    <message>
        <source>driver</source>
        <translation>Fahrer</translation>
    </message>
    <message>
        <source>Drivers (*.json)</source>
        <translation>Fahrer (*.json)</translation>
    </message>
    <message>
        <source>The driver&apos;s wishes are in %1.</source>
        <translation>Die Wünsche des Fahrers liegen in %1.</translation>
    </message>
    <message>
        <source>A driver&apos;s file</source>
        <translation>Datei eines Fahrers</translation>
    </message>
    <message>
        <source>There is no take to measure from yet: read one (F4).</source>
        <translation>Noch gibt es keinen Durchgang zum Messen: lesen Sie einen (F4).</translation>
    </message>
    <message>
        <source>Measure the reader from the takes</source>
        <translation>Den Leser aus den Durchgängen messen</translation>
    </message>
    <message>
        <source>From %1 takes: %2 syllables a second, at most %3.</source>
        <translation>Aus %1 Durchgängen: %2 Silben je Sekunde, höchstens %3.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::DriverRemarks</name>
    <message>
        <source>   The driver says of it:</source>
        <translation>   Der Fahrer sagt dazu:</translation>
    </message>
    <message>
        <source>earlier</source>
        <translation>früher</translation>
    </message>
    <message>
        <source>later</source>
        <translation>später</translation>
    </message>
    <message>
        <source>good</source>
        <translation>gut</translation>
    </message>
    <message>
        <source>reword</source>
        <translation>anders sagen</translation>
    </message>
    <message>
        <source>else</source>
        <translation>sonst</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>The new words into the notes</source>
        <translation>Die neuen Wörter in den Aufschrieb</translation>
    </message>
    <message>
        <source>What the driver said</source>
        <translation>Was der Fahrer gesagt hat</translation>
    </message>
    <message>
        <source>Note %1 is “%2” from now on. Takes that were read keep the words that they were read by.</source>
        <translation>Eintrag %1 ist von nun an „%2“. Gelesene Durchgänge behalten die Wörter, nach denen sie gelesen wurden.</translation>
    </message>
    <message>
        <source>What the driver said (Enter)</source>
        <translation>Was der Fahrer gesagt hat (Eingabe)</translation>
    </message>
</context>
<context>
    <name>brumefall::app::DriversEarSession</name>
    <message>
        <source>fast corners</source>
        <translation>schnelle Kurven</translation>
    </message>
    <message>
        <source>medium corners</source>
        <translation>mittlere Kurven</translation>
    </message>
    <message>
        <source>slow corners</source>
        <translation>langsame Kurven</translation>
    </message>
    <message>
        <source>things on the road</source>
        <translation>Dinge an der Straße</translation>
    </message>
    <message>
        <source>%1 %2 s</source>
        <translation>%1 %2 s</translation>
    </message>
    <message>
        <source> (found)</source>
        <translation> (gefunden)</translation>
    </message>
    <message>
        <source> (said %1×)</source>
        <translation> (%1× gesagt)</translation>
    </message>
</context>
<context>
    <name>brumefall::app::ExportDialog</name>
    <message>
        <source>Export</source>
        <translation>Ausgeben</translation>
    </message>
    <message>
        <source>What to make</source>
        <translation>Was entstehen soll</translation>
    </message>
    <message>
        <source>Pages for the car</source>
        <translation>Seiten fürs Auto</translation>
    </message>
    <message>
        <source>A sound track</source>
        <translation>Eine Tonspur</translation>
    </message>
    <message>
        <source>The video with the calls</source>
        <translation>Das Video mit den Ansagen</translation>
    </message>
    <message>
        <source>Captions</source>
        <translation>Untertitel</translation>
    </message>
    <message>
        <source>A table</source>
        <translation>Eine Tabelle</translation>
    </message>
    <message>
        <source>Figures as JSON</source>
        <translation>Zahlen als JSON</translation>
    </message>
    <message>
        <source>The notes as text</source>
        <translation>Der Aufschrieb als Text</translation>
    </message>
    <message>
        <source>Way points</source>
        <translation>Wegpunkte</translation>
    </message>
    <message>
        <source>The stage itself</source>
        <translation>Die Prüfung selbst</translation>
    </message>
    <message>
        <source>Write…</source>
        <translation>Schreiben…</translation>
    </message>
    <message>
        <source>Print…</source>
        <translation>Drucken…</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Halt</translation>
    </message>
    <message>
        <source>Close (Esc)</source>
        <translation>Schließen (Esc)</translation>
    </message>
    <message>
        <source>Stopped; nothing was written.</source>
        <translation>Angehalten; nichts wurde geschrieben.</translation>
    </message>
    <message>
        <source>Paper</source>
        <translation>Papier</translation>
    </message>
    <message>
        <source>A5</source>
        <translation>A5</translation>
    </message>
    <message>
        <source>A6</source>
        <translation>A6</translation>
    </message>
    <message>
        <source>B6</source>
        <translation>B6</translation>
    </message>
    <message>
        <source>own size</source>
        <translation>eigene Größe</translation>
    </message>
    <message>
        <source> mm</source>
        <translation> mm</translation>
    </message>
    <message>
        <source>Width of the paper</source>
        <translation>Breite des Papiers</translation>
    </message>
    <message>
        <source>Height of the paper</source>
        <translation>Höhe des Papiers</translation>
    </message>
    <message>
        <source>Binding</source>
        <translation>Bindung</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>above</source>
        <translation>oben</translation>
    </message>
    <message>
        <source>Height of the letters</source>
        <translation>Höhe der Schrift</translation>
    </message>
    <message>
        <source>Words</source>
        <translation>Wörter</translation>
    </message>
    <message>
        <source>as written</source>
        <translation>wie geschrieben</translation>
    </message>
    <message>
        <source>in full words</source>
        <translation>in vollen Wörtern</translation>
    </message>
    <message>
        <source>in our shorthand</source>
        <translation>in unserer Kurzschrift</translation>
    </message>
    <message>
        <source>after recce 2</source>
        <translation>nach Besichtigung 2</translation>
    </message>
    <message>
        <source>Version</source>
        <translation>Fassung</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>Height</source>
        <translation>Höhe</translation>
    </message>
    <message>
        <source>Letters</source>
        <translation>Schrift</translation>
    </message>
    <message>
        <source>as planned: the guide voice</source>
        <translation>wie geplant: die Führungsstimme</translation>
    </message>
    <message>
        <source>as read: %1</source>
        <translation>wie gelesen: %1</translation>
    </message>
    <message>
        <source>Voice</source>
        <translation>Stimme</translation>
    </message>
    <message>
        <source>As</source>
        <translation>Als</translation>
    </message>
    <message>
        <source>FLAC</source>
        <translation>FLAC</translation>
    </message>
    <message>
        <source>WAV, with a cue point a call</source>
        <translation>WAV, mit einer Marke je Ansage</translation>
    </message>
    <message>
        <source>Opus, with a chapter a call</source>
        <translation>Opus, mit einem Kapitel je Ansage</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>the voice alone</source>
        <translation>die Stimme allein</translation>
    </message>
    <message>
        <source>over the onboard&apos;s sound</source>
        <translation>über dem Ton des Videos</translation>
    </message>
    <message>
        <source>Calls</source>
        <translation>Ansagen</translation>
    </message>
    <message>
        <source>SubRip (.srt)</source>
        <translation>SubRip (.srt)</translation>
    </message>
    <message>
        <source>WebVTT (.vtt)</source>
        <translation>WebVTT (.vtt)</translation>
    </message>
    <message>
        <source>the notes, with their places</source>
        <translation>die Einträge mit ihren Stellen</translation>
    </message>
    <message>
        <source>the plan</source>
        <translation>der Plan</translation>
    </message>
    <message>
        <source>the verdicts of %1</source>
        <translation>die Urteile zu %1</translation>
    </message>
    <message>
        <source>Of</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>What</source>
        <translation>Was</translation>
    </message>
    <message>
        <source>this stage</source>
        <translation>diese Prüfung</translation>
    </message>
    <message>
        <source>the whole rally around it</source>
        <translation>die ganze Rallye darum</translation>
    </message>
    <message>
        <source>Videos</source>
        <translation>Videos</translation>
    </message>
    <message>
        <source>go along</source>
        <translation>kommen mit</translation>
    </message>
    <message>
        <source>stay here: it is small</source>
        <translation>bleiben hier: es wird klein</translation>
    </message>
    <message>
        <source>The notebook as PDF, or on a printer. Pages are turned where the plan leaves most time. Read (F4) shows the same pages: tick “printed”.</source>
        <translation>Das Heft als PDF oder auf einem Drucker. Gewendet wird, wo der Plan die meiste Zeit lässt. Lesen (F4) zeigt dieselben Seiten: „gedruckt“ ankreuzen.</translation>
    </message>
    <message>
        <source>The voice on the clock of the pass&apos;s video: it begins when the video begins.</source>
        <translation>Die Stimme auf der Uhr des Videos: sie beginnt, wenn das Video beginnt.</translation>
    </message>
    <message>
        <source>The pass&apos;s video as it is, not encoded anew, with the calls as a sound of its own and as captions: any player shows it.</source>
        <translation>Das Video der Fahrt, wie es ist, nicht neu kodiert, mit den Ansagen als eigene Tonspur und als Untertitel: jeder Abspieler zeigt es.</translation>
    </message>
    <message>
        <source>Captions on the clock of the pass&apos;s video: put beside it under its name, any player shows them.</source>
        <translation>Untertitel auf der Uhr des Videos: unter seinem Namen danebengelegt, zeigt sie jeder Abspieler.</translation>
    </message>
    <message>
        <source>A table of commas, with the units in its headers.</source>
        <translation>Eine Tabelle mit Kommas, die Einheiten in den Köpfen.</translation>
    </message>
    <message>
        <source>The same that the command line prints.</source>
        <translation>Dasselbe, was die Befehlszeile ausgibt.</translation>
    </message>
    <message>
        <source>The notes as they are written.</source>
        <translation>Die Einträge, wie sie geschrieben sind.</translation>
    </message>
    <message>
        <source>Placed notes as way points, and the track: GPX, from the log with positions by which the pass was laid.</source>
        <translation>Verortete Einträge als Wegpunkte, dazu die Strecke: GPX, aus der Aufzeichnung mit Positionen, nach der die Fahrt gelegt wurde.</translation>
    </message>
    <message>
        <source>Stage, passes and takes as one .zip, to be opened by Stage, Open a package.</source>
        <translation>Prüfung, Fahrten und Durchgänge als ein .zip, zu öffnen mit Prüfung, Paket öffnen.</translation>
    </message>
    <message numerus="yes">
        <source>%n page(s).</source>
        <translation>
            <numerusform>%n Seite.</numerusform>
            <numerusform>%n Seiten.</numerusform>
        </translation>
    </message>
    <message>
        <source>Tightest turn: after page %1, %2 s%3.</source>
        <translation>Knappste Wende: nach Seite %1, %2 s%3.</translation>
    </message>
    <message>
        <source>, in a squeeze: smaller letters or paper may move it</source>
        <translation>, im Engpass: kleinere Schrift oder Papier kann sie verlegen</translation>
    </message>
    <message>
        <source>Tab to the pages, then ← and → turn them.</source>
        <translation>Tab zu den Seiten, dann wenden ← und → sie.</translation>
    </message>
    <message>
        <source>Where to</source>
        <translation>Wohin</translation>
    </message>
    <message>
        <source>stage</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>The log with positions that this pass was laid by</source>
        <translation>Die Aufzeichnung mit Positionen, nach der diese Fahrt gelegt wurde</translation>
    </message>
    <message>
        <source>Logs (*.gpx *.csv)</source>
        <translation>Aufzeichnungen (*.gpx *.csv)</translation>
    </message>
    <message>
        <source>Written: %1.</source>
        <translation>Geschrieben: %1.</translation>
    </message>
    <message>
        <source>Print the pages</source>
        <translation>Die Seiten drucken</translation>
    </message>
    <message>
        <source>The stage could not be saved first.</source>
        <translation>Die Prüfung ließ sich vorher nicht speichern.</translation>
    </message>
    <message>
        <source>This needs a pass with a video that is there (F2).</source>
        <translation>Dafür braucht es eine Fahrt, deren Video da ist (F2).</translation>
    </message>
    <message>
        <source>Writing…</source>
        <translation>Es wird geschrieben…</translation>
    </message>
    <message>
        <source>There are no notes to print yet.</source>
        <translation>Noch gibt es keine Einträge zu drucken.</translation>
    </message>
    <message numerus="yes">
        <source>%n page(s) went to the printer.</source>
        <translation>
            <numerusform>%n Seite ging an den Drucker.</numerusform>
            <numerusform>%n Seiten gingen an den Drucker.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::FindBar</name>
    <message>
        <source>find</source>
        <translation>suchen</translation>
    </message>
    <message>
        <source>put in its place</source>
        <translation>an seine Stelle</translation>
    </message>
    <message>
        <source>Replace all</source>
        <translation>Alle ersetzen</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>1 is 6, 6 is 1</source>
        <translation>1 wird 6, 6 wird 1</translation>
    </message>
    <message>
        <source>one higher</source>
        <translation>eins höher</translation>
    </message>
    <message>
        <source>one lower</source>
        <translation>eins tiefer</translation>
    </message>
    <message>
        <source>one grade:</source>
        <translation>ein Grad:</translation>
    </message>
    <message>
        <source>becomes </source>
        <translation>wird </translation>
    </message>
    <message>
        <source>Renumber</source>
        <translation>Neu nummerieren</translation>
    </message>
    <message>
        <source>In the selected lines; in all where none are selected. Distances stay.</source>
        <translation>In den gewählten Zeilen; in allen, wenn keine gewählt sind. Entfernungen bleiben.</translation>
    </message>
    <message>
        <source>Grades</source>
        <translation>Grade</translation>
    </message>
    <message>
        <source>%1 found</source>
        <translation>%1 gefunden</translation>
    </message>
    <message>
        <source>Turn the scale round</source>
        <translation>Die Skala umdrehen</translation>
    </message>
    <message>
        <source>Every grade one higher</source>
        <translation>Jeder Grad eins höher</translation>
    </message>
    <message>
        <source>Every grade one lower</source>
        <translation>Jeder Grad eins tiefer</translation>
    </message>
    <message>
        <source>Grade %1 becomes %2</source>
        <translation>Grad %1 wird %2</translation>
    </message>
</context>
<context>
    <name>brumefall::app::GapView</name>
    <message>
        <source>Voice and road on one time axis</source>
        <translation>Stimme und Straße auf einer Zeitachse</translation>
    </message>
    <message>
        <source>Wheel: move. Ctrl+wheel or + and -: zoom. Click: choose a note, with Shift a stretch.</source>
        <translation>Rad: verschieben. Strg+Rad oder + und -: vergrößern. Klick: einen Eintrag wählen, mit Umschalt einen Abschnitt.</translation>
    </message>
    <message>
        <source>The picture nearer</source>
        <translation>Das Bild näher</translation>
    </message>
    <message>
        <source>The picture farther away</source>
        <translation>Das Bild ferner</translation>
    </message>
    <message>
        <source>Voice and road along the road</source>
        <translation>Stimme und Straße entlang der Straße</translation>
    </message>
    <message>
        <source>+ − zoom, Shift+click a stretch</source>
        <translation>+ − vergrößern, Umschalt+Klick ein Abschnitt</translation>
    </message>
    <message>
        <source>+ − zoom, drag the bar of what was read where it was found wrongly</source>
        <translation>+ − vergrößern, den Balken des Gelesenen ziehen, wo er falsch gefunden wurde</translation>
    </message>
    <message>
        <source>+ − zoom</source>
        <translation>+ − vergrößern</translation>
    </message>
</context>
<context>
    <name>brumefall::app::GradeTable</name>
    <message>
        <source>How the grades are bent</source>
        <translation>Wie die Grade gebogen sind</translation>
    </message>
    <message>
        <source>grade</source>
        <translation>Grad</translation>
    </message>
    <message>
        <source>radius, m</source>
        <translation>Radius, m</translation>
    </message>
    <message>
        <source>turns, °</source>
        <translation>dreht um, °</translation>
    </message>
    <message>
        <source>The road is drawn and measured with these. Empty a cell to take the usual size again.</source>
        <translation>Damit wird die Straße gezeichnet und gemessen. Eine leere Zelle nimmt wieder das übliche Maß.</translation>
    </message>
    <message>
        <source>“%1” is no %2 of a corner; it was left as it was.</source>
        <translation>„%1“ ist kein %2 einer Kurve; es blieb, wie es war.</translation>
    </message>
    <message>
        <source>radius</source>
        <translation>Radius</translation>
    </message>
    <message>
        <source>angle</source>
        <translation>Winkel</translation>
    </message>
    <message>
        <source>Change how a %1 is bent</source>
        <translation>Ändern, wie eine %1 gebogen ist</translation>
    </message>
</context>
<context>
    <name>brumefall::app::HelpView</name>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>&lt;h2&gt;Keys in %1&lt;/h2&gt;&lt;table cellpadding=&quot;4&quot;&gt;</source>
        <translation>&lt;h2&gt;Tasten in %1&lt;/h2&gt;&lt;table cellpadding=&quot;4&quot;&gt;</translation>
    </message>
    <message>
        <source>&lt;/table&gt;&lt;p&gt;Letters act wherever no text is being typed; Esc leaves a text. Enter presses what has the focus and opens the chosen row; Tab goes on to the next thing.&lt;/p&gt;</source>
        <translation>&lt;/table&gt;&lt;p&gt;Buchstaben wirken überall, wo kein Text getippt wird; Esc verlässt einen Text. Eingabe drückt, was den Fokus hat, und öffnet die gewählte Zeile; Tab geht weiter.&lt;/p&gt;</translation>
    </message>
</context>
<context>
    <name>brumefall::app::LatencyCheck</name>
    <message>
        <source>The ticks could not be played in time. Try again.</source>
        <translation>Die Ticks ließen sich nicht rechtzeitig abspielen. Versuchen Sie es noch einmal.</translation>
    </message>
    <message>
        <source>The microphone gave too little sound to measure by.</source>
        <translation>Das Mikrofon gab zu wenig Ton zum Messen.</translation>
    </message>
    <message>
        <source>%1 did not hear the ticks. Turn the loudspeaker up, or hold a headphone to the microphone.</source>
        <translation>%1 hat die Ticks nicht gehört. Stellen Sie den Lautsprecher lauter oder halten Sie einen Kopfhörer ans Mikrofon.</translation>
    </message>
    <message>
        <source>%1 hears %2 ms late; that is taken off its takes from now on.</source>
        <translation>%1 hört %2 ms zu spät; das wird von nun an von den Durchgängen abgezogen.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::LogWorkspace</name>
    <message>
        <source>whole takes only</source>
        <translation>nur ganze Durchgänge</translation>
    </message>
    <message>
        <source>Tonight</source>
        <translation>Heute Abend</translation>
    </message>
    <message>
        <source>Rally</source>
        <translation>Rallye</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Durchgänge</translation>
    </message>
    <message>
        <source>Trends</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>Trouble</source>
        <translation>Sorgen</translation>
    </message>
    <message>
        <source>Diary</source>
        <translation>Tagebuch</translation>
    </message>
    <message>
        <source>That is the open stage: choose the one whose crew is to read it.</source>
        <translation>Das ist die offene Prüfung: wählen Sie die, deren Team sie lesen soll.</translation>
    </message>
    <message>
        <source>%1 is read by the crew of %2 now; Ctrl+Z takes that back.</source>
        <translation>%1 wird jetzt vom Team von %2 gelesen; Strg+Z nimmt es zurück.</translation>
    </message>
    <message>
        <source>%1 is read by the crew of %2 now; what is written keeps its own order and scale. Ctrl+Z takes that back.</source>
        <translation>%1 wird jetzt vom Team von %2 gelesen; was geschrieben ist, behält seine Reihenfolge und Skala. Strg+Z nimmt es zurück.</translation>
    </message>
    <message>
        <source>Whose takes are shown</source>
        <translation>Wessen Durchgänge gezeigt werden</translation>
    </message>
    <message>
        <source>all readers</source>
        <translation>alle Leser</translation>
    </message>
    <message>
        <source>own takes</source>
        <translation>eigene Durchgänge</translation>
    </message>
    <message>
        <source>simulated reader</source>
        <translation>simulierter Leser</translation>
    </message>
    <message>
        <source>Takes along which pass are shown</source>
        <translation>Durchgänge welcher Fahrt gezeigt werden</translation>
    </message>
    <message>
        <source>all passes</source>
        <translation>alle Fahrten</translation>
    </message>
    <message>
        <source>As a table…</source>
        <translation>Als Tabelle…</translation>
    </message>
    <message>
        <source>As JSON…</source>
        <translation>Als JSON…</translation>
    </message>
    <message>
        <source>pass “%1”</source>
        <translation>Fahrt „%1“</translation>
    </message>
    <message>
        <source>Next: read the stage once (F4). Every take is kept here.</source>
        <translation>Weiter: die Prüfung einmal lesen (F4). Jeder Durchgang wird hier aufbewahrt.</translation>
    </message>
    <message>
        <source>No note goes wrong again and again. Next: what was read longest ago (Tonight).</source>
        <translation>Kein Eintrag misslingt immer wieder. Weiter: was am längsten nicht gelesen wurde (Heute Abend).</translation>
    </message>
    <message>
        <source>Worst: “%1” on %2, wrong in %3 of %4 takes. Next: begin tonight&apos;s list (Alt+1, Enter).</source>
        <translation>Am schlimmsten: „%1“ auf %2, falsch in %3 von %4 Durchgängen. Weiter: die Liste für heute Abend beginnen (Alt+1, Eingabe).</translation>
    </message>
    <message>
        <source>The log of the rally</source>
        <translation>Das Logbuch der Rallye</translation>
    </message>
    <message>
        <source>The log is in %1.</source>
        <translation>Das Logbuch liegt in %1.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::MainWindow</name>
    <message>
        <source>Brumefall</source>
        <translation>Brumefall</translation>
    </message>
    <message>
        <source>The take %1 is judged: see Review (F5).</source>
        <translation>Der Durchgang %1 ist beurteilt: siehe Auswerten (F5).</translation>
    </message>
    <message>
        <source>%1 is open.</source>
        <translation>%1 ist offen.</translation>
    </message>
    <message>
        <source>%1 of %2 on time; %3 late, %4 missed, %5 misread</source>
        <translation>%1 von %2 rechtzeitig; %3 zu spät, %4 ausgelassen, %5 falsch gelesen</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Aufschrieb</translation>
    </message>
    <message>
        <source>Places</source>
        <translation>Stellen</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Read</source>
        <translation>Lesen</translation>
    </message>
    <message>
        <source>Review</source>
        <translation>Auswerten</translation>
    </message>
    <message>
        <source>Log</source>
        <translation>Logbuch</translation>
    </message>
    <message>
        <source>One frame back</source>
        <translation>Ein Bild zurück</translation>
    </message>
    <message>
        <source>Record a take, and stop it</source>
        <translation>Einen Durchgang aufnehmen und beenden</translation>
    </message>
    <message>
        <source>The take goes on, voice and video alike: Space pauses both, R stops both.</source>
        <translation>Der Durchgang läuft weiter, Stimme und Video zugleich: Leertaste hält beide an, R beendet beide.</translation>
    </message>
    <message>
        <source>&amp;Stage</source>
        <translation>&amp;Prüfung</translation>
    </message>
    <message>
        <source>New stage…</source>
        <translation>Neue Prüfung…</translation>
    </message>
    <message>
        <source>Open a stage…</source>
        <translation>Prüfung öffnen…</translation>
    </message>
    <message>
        <source>Open again</source>
        <translation>Wieder öffnen</translation>
    </message>
    <message>
        <source>Open the demo</source>
        <translation>Die Vorführung öffnen</translation>
    </message>
    <message>
        <source>What to begin with</source>
        <translation>Womit beginnen</translation>
    </message>
    <message>
        <source>Rename stage and crew…</source>
        <translation>Prüfung und Team umbenennen…</translation>
    </message>
    <message>
        <source>Save now</source>
        <translation>Jetzt speichern</translation>
    </message>
    <message>
        <source>Save a copy…</source>
        <translation>Kopie speichern…</translation>
    </message>
    <message>
        <source>Export…</source>
        <translation>Ausgeben…</translation>
    </message>
    <message>
        <source>Open a package…</source>
        <translation>Paket öffnen…</translation>
    </message>
    <message>
        <source>Quit</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Bearbeiten</translation>
    </message>
    <message>
        <source>Undo:</source>
        <translation>Zurücknehmen:</translation>
    </message>
    <message>
        <source>Redo:</source>
        <translation>Wieder tun:</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>&amp;Ansicht</translation>
    </message>
    <message>
        <source>Paper or night room</source>
        <translation>Papier oder Nachtzimmer</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <source>Keys of this screen</source>
        <translation>Tasten dieses Bildschirms</translation>
    </message>
    <message>
        <source>The guide</source>
        <translation>Die Anleitung</translation>
    </message>
    <message>
        <source>The caution</source>
        <translation>Der Warnhinweis</translation>
    </message>
    <message>
        <source>As the desktop</source>
        <translation>Wie der Desktop</translation>
    </message>
    <message>
        <source>The language changes at the next start.</source>
        <translation>Die Sprache wechselt beim nächsten Start.</translation>
    </message>
    <message>
        <source>Begin</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>No name yet: New stage (Ctrl+N) gives it a folder</source>
        <translation>Noch kein Name: Neue Prüfung (Strg+N) gibt ihr einen Ordner</translation>
    </message>
    <message>
        <source>%1 – Brumefall</source>
        <translation>%1 – Brumefall</translation>
    </message>
    <message>
        <source>What was changed last is on no disk yet. Make room, or save a copy elsewhere (Ctrl+Shift+S). Closing once more throws it away.</source>
        <translation>Was zuletzt geändert wurde, liegt noch auf keinem Datenträger. Schaffen Sie Platz oder speichern Sie anderswo eine Kopie (Strg+Umschalt+S). Noch einmal schließen wirft es weg.</translation>
    </message>
    <message>
        <source>A take is being recorded: stop it first (R).</source>
        <translation>Ein Durchgang wird aufgenommen: beenden Sie ihn erst (R).</translation>
    </message>
    <message>
        <source>The stage was not opened. %1</source>
        <translation>Die Prüfung wurde nicht geöffnet. %1</translation>
    </message>
    <message>
        <source>The demo was not installed with this program.</source>
        <translation>Die Vorführung wurde mit diesem Programm nicht installiert.</translation>
    </message>
    <message>
        <source>The demo could not be copied: %1.</source>
        <translation>Die Vorführung ließ sich nicht kopieren: %1.</translation>
    </message>
    <message>
        <source>Open a stage: choose its folder</source>
        <translation>Eine Prüfung öffnen: wählen Sie ihren Ordner</translation>
    </message>
    <message>
        <source>Name the folder that these notes go to</source>
        <translation>Benennen Sie den Ordner, in den diese Einträge kommen</translation>
    </message>
    <message>
        <source>New stage: name its folder</source>
        <translation>Neue Prüfung: benennen Sie ihren Ordner</translation>
    </message>
    <message>
        <source>New stage</source>
        <translation>Neue Prüfung</translation>
    </message>
    <message>
        <source>The stage was not made. %1</source>
        <translation>Die Prüfung wurde nicht angelegt. %1</translation>
    </message>
    <message>
        <source>Your notes are in %1 now. Next: give the stage its video (F2).</source>
        <translation>Ihre Einträge sind jetzt in %1. Weiter: der Prüfung ihr Video geben (F2).</translation>
    </message>
    <message>
        <source>A new stage. Write the notes, or take them from a file or from captions; then give it a video (F2).</source>
        <translation>Eine neue Prüfung. Schreiben Sie die Einträge, oder nehmen Sie sie aus einer Datei oder aus Untertiteln; dann geben Sie ihr ein Video (F2).</translation>
    </message>
    <message>
        <source>Open a package: a stage or a rally as one file</source>
        <translation>Ein Paket öffnen: eine Prüfung oder Rallye als eine Datei</translation>
    </message>
    <message>
        <source>Packages (*.zip)</source>
        <translation>Pakete (*.zip)</translation>
    </message>
    <message>
        <source>Unpack it into a new folder in…</source>
        <translation>In einen neuen Ordner auspacken, in…</translation>
    </message>
    <message>
        <source>Unpack %1 into a new folder in…</source>
        <translation>%1 in einen neuen Ordner auspacken, in…</translation>
    </message>
    <message>
        <source>%1 is nothing that can be opened here: no stage, package, video, captions, log, notes or sound.</source>
        <translation>%1 ist nichts, was sich hier öffnen lässt: keine Prüfung, kein Paket, Video, Ton, keine Untertitel, Aufzeichnung oder Einträge.</translation>
    </message>
    <message>
        <source>Unpacking %1…</source>
        <translation>%1 wird ausgepackt…</translation>
    </message>
    <message>
        <source>Unpacked, and open: %1</source>
        <translation>Ausgepackt und offen: %1</translation>
    </message>
    <message>
        <source>Save a copy: name its folder</source>
        <translation>Kopie speichern: benennen Sie ihren Ordner</translation>
    </message>
    <message>
        <source> copy</source>
        <translation> Kopie</translation>
    </message>
    <message>
        <source>No copy was made. %1</source>
        <translation>Es wurde keine Kopie angelegt. %1</translation>
    </message>
    <message>
        <source>A copy is in %1. You go on in this one.</source>
        <translation>Eine Kopie liegt in %1. Sie arbeiten in dieser hier weiter.</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <source>Stage</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>Crew</source>
        <translation>Team</translation>
    </message>
    <message>
        <source>Notes that have no stage yet</source>
        <translation>Einträge, die noch keine Prüfung haben</translation>
    </message>
    <message>
        <source>No stage was opened yet</source>
        <translation>Noch wurde keine Prüfung geöffnet</translation>
    </message>
</context>
<context>
    <name>brumefall::app::NotesWorkspace</name>
    <message>
        <source>Line %1: “%2” is kept but not understood.</source>
        <translation>Zeile %1: „%2“ wird behalten, aber nicht verstanden.</translation>
    </message>
    <message>
        <source>Line %1: “%2”: %3</source>
        <translation>Zeile %1: „%2“: %3</translation>
    </message>
    <message>
        <source>Line %1: “%2” is not understood. Did you mean “%3”?</source>
        <translation>Zeile %1: „%2“ wird nicht verstanden. Meinten Sie „%3“?</translation>
    </message>
    <message>
        <source>Replace “%1” by “%2”</source>
        <translation>„%1“ durch „%2“ ersetzen</translation>
    </message>
    <message>
        <source>Notes, one call a line</source>
        <translation>Einträge, eine Ansage je Zeile</translation>
    </message>
    <message>
        <source>Write or paste the notes here, one call a line:

right four long into left three 60
caution square left 100</source>
        <translation>Schreiben Sie die Einträge hierher oder fügen Sie sie ein, eine Ansage je Zeile:

right four long into left three 60
caution square left 100</translation>
    </message>
    <message>
        <source>Written</source>
        <translation>Geschrieben</translation>
    </message>
    <message>
        <source>Split</source>
        <translation>Teilen</translation>
    </message>
    <message>
        <source>Join</source>
        <translation>Verbinden</translation>
    </message>
    <message>
        <source>Laps</source>
        <translation>Runden</translation>
    </message>
    <message>
        <source>The selected lines are driven twice: change the 2 where it is more.</source>
        <translation>Die gewählten Zeilen werden zweimal gefahren: ändern Sie die 2, wo es mehr sind.</translation>
    </message>
    <message>
        <source>Find</source>
        <translation>Suchen</translation>
    </message>
    <message>
        <source>What was understood</source>
        <translation>Was verstanden wurde</translation>
    </message>
    <message>
        <source>The notes printed anew</source>
        <translation>Die Einträge neu gedruckt</translation>
    </message>
    <message>
        <source>Understood</source>
        <translation>Verstanden</translation>
    </message>
    <message>
        <source>Write the notes this way</source>
        <translation>Die Einträge so schreiben</translation>
    </message>
    <message>
        <source>Meaning</source>
        <translation>Bedeutung</translation>
    </message>
    <message>
        <source>Full words</source>
        <translation>Volle Wörter</translation>
    </message>
    <message>
        <source>In short</source>
        <translation>In Kürze</translation>
    </message>
    <message>
        <source>Our language</source>
        <translation>Unsere Sprache</translation>
    </message>
    <message>
        <source>Fix it</source>
        <translation>Berichtigen</translation>
    </message>
    <message>
        <source>Next</source>
        <translation>Nächstes</translation>
    </message>
    <message>
        <source>line %1: %2</source>
        <translation>Zeile %1: %2</translation>
    </message>
    <message>
        <source>Direction first</source>
        <translation>Richtung zuerst</translation>
    </message>
    <message>
        <source>Number first</source>
        <translation>Zahl zuerst</translation>
    </message>
    <message>
        <source>a higher grade is faster</source>
        <translation>ein höherer Grad ist schneller</translation>
    </message>
    <message>
        <source>a lower grade is faster</source>
        <translation>ein tieferer Grad ist schneller</translation>
    </message>
    <message>
        <source>Line %1: %2.</source>
        <translation>Zeile %1: %2.</translation>
    </message>
    <message>
        <source>%1 of %2. </source>
        <translation>%1 von %2. </translation>
    </message>
    <message>
        <source>Every word is understood. Next: give each note its place (F2).</source>
        <translation>Jedes Wort ist verstanden. Weiter: jedem Eintrag seine Stelle geben (F2).</translation>
    </message>
    <message>
        <source>Next: write the notes on the left, or take them from a file, captions or sound.</source>
        <translation>Weiter: die Einträge links schreiben, oder aus einer Datei, Untertiteln oder Ton nehmen.</translation>
    </message>
    <message>
        <source>Write “%1” for “%2”</source>
        <translation>„%1“ statt „%2“ schreiben</translation>
    </message>
    <message>
        <source>Split a call</source>
        <translation>Eine Ansage teilen</translation>
    </message>
    <message>
        <source>Join two calls</source>
        <translation>Zwei Ansagen verbinden</translation>
    </message>
    <message>
        <source>Drive lines %1 to %2 twice</source>
        <translation>Zeilen %1 bis %2 zweimal fahren</translation>
    </message>
    <message>
        <source>Notes from a file</source>
        <translation>Einträge aus einer Datei</translation>
    </message>
    <message>
        <source>Notes (*.txt);;All files (*)</source>
        <translation>Einträge (*.txt);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Captions of an onboard</source>
        <translation>Untertitel eines Videos aus dem Auto</translation>
    </message>
    <message>
        <source>Captions (*.srt *.vtt *.txt);;All files (*)</source>
        <translation>Untertitel (*.srt *.vtt *.txt);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Write the notes in full words</source>
        <translation>Die Einträge in vollen Wörtern schreiben</translation>
    </message>
    <message>
        <source>Write the notes in short</source>
        <translation>Die Einträge in Kürze schreiben</translation>
    </message>
    <message>
        <source>from</source>
        <translation>aus</translation>
    </message>
    <message>
        <source>File…</source>
        <translation>Datei…</translation>
    </message>
    <message>
        <source>Notes in a file in place of these</source>
        <translation>Ein Aufschrieb in einer Datei statt dieses</translation>
    </message>
    <message>
        <source>Captions…</source>
        <translation>Untertitel…</translation>
    </message>
    <message>
        <source>Draft notes from the captions of an onboard</source>
        <translation>Entwurf aus den Untertiteln eines Videos aus dem Auto</translation>
    </message>
    <message>
        <source>Sound…</source>
        <translation>Ton…</translation>
    </message>
    <message>
        <source>Draft notes from what is said in a video or a sound</source>
        <translation>Entwurf aus dem, was in einem Video oder Ton gesagt wird</translation>
    </message>
    <message>
        <source>The listening was stopped; the notes are as they were.</source>
        <translation>Das Zuhören wurde beendet; der Aufschrieb ist, wie er war.</translation>
    </message>
    <message>
        <source>A video or a sound in which notes are read</source>
        <translation>Ein Video oder Ton, in dem ein Aufschrieb gelesen wird</translation>
    </message>
    <message>
        <source>Listening to %1: %2 %. Alt+O stops it. %3</source>
        <translation>Höre %1: %2 %. Alt+O beendet es. %3</translation>
    </message>
    <message>
        <source>Dictate</source>
        <translation>Diktieren</translation>
    </message>
    <message>
        <source>Say the notes into the microphone: a line for each breath</source>
        <translation>Die Ansagen ins Mikrofon sprechen: eine Zeile je Atemzug</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>There is no microphone. Plug one in, then dictate.</source>
        <translation>Es gibt kein Mikrofon. Eines einstecken, dann diktieren.</translation>
    </message>
    <message>
        <source>No speech is heard in %1: the notes are as they were.</source>
        <translation>In %1 ist keine Sprache zu hören: Die Notizen sind, wie sie waren.</translation>
    </message>
    <message>
        <source>Nobody reads notes in %1, or none that can be made out: the notes are as they were.</source>
        <translation>In %1 liest niemand Notizen, oder sie sind nicht zu verstehen: Die Notizen sind, wie sie waren.</translation>
    </message>
    <message numerus="yes">
        <source>%n note(s). %1, %2.</source>
        <translation>
            <numerusform>%n Eintrag. %1, %2.</numerusform>
            <numerusform>%n Einträge. %1, %2.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>The %n note(s) that were here gave way to those of %1; Ctrl+Z brings them back.</source>
        <translation>
            <numerusform>Der %n Eintrag, der hier stand, ist denen von %1 gewichen; Strg+Z bringt ihn zurück.</numerusform>
            <numerusform>Die %n Einträge, die hier standen, sind denen von %1 gewichen; Strg+Z bringt sie zurück.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::PacePanel</name>
    <message>
        <source>wet</source>
        <translation>nass</translation>
    </message>
    <message>
        <source>night</source>
        <translation>Nacht</translation>
    </message>
    <message>
        <source>Target time</source>
        <translation>Zielzeit</translation>
    </message>
    <message>
        <source> s</source>
        <translation> s</translation>
    </message>
    <message>
        <source>as the road gives it</source>
        <translation>wie die Straße sie ergibt</translation>
    </message>
    <message>
        <source>Play along</source>
        <translation>Daran entlang abspielen</translation>
    </message>
    <message>
        <source>beside it</source>
        <translation>daneben</translation>
    </message>
    <message>
        <source>Car</source>
        <translation>Auto</translation>
    </message>
    <message>
        <source>on</source>
        <translation>auf</translation>
    </message>
    <message>
        <source>Target</source>
        <translation>Ziel</translation>
    </message>
    <message>
        <source>as recorded</source>
        <translation>wie aufgenommen</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>pass “%1”</source>
        <translation>Fahrt „%1“</translation>
    </message>
    <message>
        <source>the rehearsal pace</source>
        <translation>das Übungstempo</translation>
    </message>
    <message>
        <source>The video is played along this pace, %1 instead of %2.</source>
        <translation>Das Video wird entlang dieses Tempos abgespielt, %1 statt %2.</translation>
    </message>
    <message>
        <source>For %1 s of it the picture would have to run faster than the player can show (hatched); the clock waits for it there.</source>
        <translation>Für %1 s davon müsste das Bild schneller laufen, als der Abspieler zeigen kann (schraffiert); die Uhr wartet dort darauf.</translation>
    </message>
    <message>
        <source>A slow recce can be played along a quicker pace: its rate then changes with the road, its pitch does not. The rehearsal pace is for rehearsing at a desk. It is not advice on how fast to drive.</source>
        <translation>Eine langsame Besichtigung lässt sich entlang eines schnelleren Tempos abspielen: ihre Geschwindigkeit ändert sich dann mit der Straße, ihre Tonhöhe nicht. Das Übungstempo ist zum Üben am Schreibtisch. Es ist kein Rat, wie schnell zu fahren ist.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::PaceView</name>
    <message>
        <source>Speed and time along the stage</source>
        <translation>Geschwindigkeit und Zeit entlang der Prüfung</translation>
    </message>
    <message>
        <source>rehearsal pace</source>
        <translation>Übungstempo</translation>
    </message>
</context>
<context>
    <name>brumefall::app::PageView</name>
    <message>
        <source>The page</source>
        <translation>Die Seite</translation>
    </message>
    <message>
        <source>start in %1 s</source>
        <translation>Start in %1 s</translation>
    </message>
    <message>
        <source>now</source>
        <translation>jetzt</translation>
    </message>
    <message>
        <source>   you are %1 s behind</source>
        <translation>   Sie sind %1 s zurück</translation>
    </message>
    <message>
        <source>   you are %1 s ahead</source>
        <translation>   Sie sind %1 s voraus</translation>
    </message>
    <message>
        <source>The page is gone. Go on from memory.</source>
        <translation>Die Seite ist weg. Lesen Sie aus dem Gedächtnis weiter.</translation>
    </message>
    <message>
        <source>No notes to read yet. Write them first (F1).</source>
        <translation>Noch nichts zu lesen. Schreiben Sie erst die Einträge (F1).</translation>
    </message>
    <message>
        <source>turn by hand: PgUp, PgDn</source>
        <translation>von Hand wenden: Bild auf, Bild ab</translation>
    </message>
</context>
<context>
    <name>brumefall::app::PagesPreview</name>
    <message>
        <source>The pages</source>
        <translation>Die Seiten</translation>
    </message>
    <message>
        <source>There are no notes to print yet.</source>
        <translation>Noch gibt es keine Einträge zu drucken.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::PassPanel</name>
    <message>
        <source>Name of the pass</source>
        <translation>Name der Fahrt</translation>
    </message>
    <message>
        <source>Car</source>
        <translation>Auto</translation>
    </message>
    <message>
        <source>Weather</source>
        <translation>Wetter</translation>
    </message>
    <message>
        <source>Remark</source>
        <translation>Bemerkung</translation>
    </message>
    <message>
        <source>stage, at speed</source>
        <translation>Prüfung, schnell</translation>
    </message>
    <message>
        <source>recce, slow</source>
        <translation>Besichtigung, langsam</translation>
    </message>
    <message>
        <source>Begins</source>
        <translation>Beginnt</translation>
    </message>
    <message>
        <source>Go</source>
        <translation>Start</translation>
    </message>
    <message>
        <source>Finish</source>
        <translation>Ziel</translation>
    </message>
    <message>
        <source>Ends</source>
        <translation>Endet</translation>
    </message>
    <message>
        <source>%1 here</source>
        <translation>%1 hier</translation>
    </message>
    <message>
        <source>not set</source>
        <translation>nicht gesetzt</translation>
    </message>
    <message>
        <source>Go at the clap near here</source>
        <translation>Start beim Klatschen hier herum</translation>
    </message>
    <message>
        <source>Turn the picture</source>
        <translation>Das Bild drehen</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Remember</source>
        <translation>Merken</translation>
    </message>
    <message>
        <source>Find its video again…</source>
        <translation>Ihr Video wiederfinden…</translation>
    </message>
    <message>
        <source>Remove this pass</source>
        <translation>Diese Fahrt entfernen</translation>
    </message>
    <message>
        <source>The pass “%1” goes into the trash; Ctrl+Z brings it back.</source>
        <translation>Die Fahrt „%1“ kommt in den Papierkorb; Strg+Z bringt sie zurück.</translation>
    </message>
    <message>
        <source>This stage has no pass yet. Add a video.</source>
        <translation>Diese Prüfung hat noch keine Fahrt. Fügen Sie ein Video hinzu.</translation>
    </message>
    <message>
        <source>%1, %2 long. One recording may hold several stages: give each a pass of its own.</source>
        <translation>%1, %2 lang. Eine Aufnahme kann mehrere Prüfungen enthalten: geben Sie jeder ihre eigene Fahrt.</translation>
    </message>
    <message>
        <source>The finish is not before go; it was not set.</source>
        <translation>Das Ziel liegt nicht vor dem Start; es wurde nicht gesetzt.</translation>
    </message>
    <message>
        <source>Set where the pass begins</source>
        <translation>Setzen, wo die Fahrt beginnt</translation>
    </message>
    <message>
        <source>Set go</source>
        <translation>Den Start setzen</translation>
    </message>
    <message>
        <source>Set the finish</source>
        <translation>Das Ziel setzen</translation>
    </message>
    <message>
        <source>Set where the pass ends</source>
        <translation>Setzen, wo die Fahrt endet</translation>
    </message>
    <message>
        <source>No clap stands out of the sound near here; go was not moved.</source>
        <translation>Hier herum sticht kein Klatschen aus dem Ton heraus; der Start blieb, wo er war.</translation>
    </message>
    <message>
        <source>Describe the pass</source>
        <translation>Die Fahrt beschreiben</translation>
    </message>
    <message>
        <source>Find the video of this pass</source>
        <translation>Das Video dieser Fahrt suchen</translation>
    </message>
</context>
<context>
    <name>brumefall::app::PlacesWorkspace</name>
    <message>
        <source>Places</source>
        <translation>Stellen</translation>
    </message>
    <message>
        <source>The pass begins here</source>
        <translation>Die Fahrt beginnt hier</translation>
    </message>
    <message>
        <source>Go is here</source>
        <translation>Der Start ist hier</translation>
    </message>
    <message>
        <source>The finish is here</source>
        <translation>Das Ziel ist hier</translation>
    </message>
    <message>
        <source>The pass ends here</source>
        <translation>Die Fahrt endet hier</translation>
    </message>
    <message>
        <source>Go at the clap near here</source>
        <translation>Start beim Klatschen hier herum</translation>
    </message>
    <message>
        <source>Turn the picture</source>
        <translation>Das Bild drehen</translation>
    </message>
    <message>
        <source>Say the distance as it is</source>
        <translation>Die Entfernung sagen, wie sie ist</translation>
    </message>
    <message>
        <source>This stage has no video yet. Add one (on the right), or let the notes be placed by their own distances.</source>
        <translation>Diese Prüfung hat noch kein Video. Fügen Sie eines hinzu (rechts), oder lassen Sie die Einträge nach ihren eigenen Entfernungen verorten.</translation>
    </message>
    <message>
        <source>The car is there now</source>
        <translation>Das Auto ist jetzt dort</translation>
    </message>
    <message>
        <source>Skip</source>
        <translation>Auslassen</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Again</source>
        <translation>Noch einmal</translation>
    </message>
    <message>
        <source>−0.1 s</source>
        <translation>−0.1 s</translation>
    </message>
    <message>
        <source>+0.1 s</source>
        <translation>+0.1 s</translation>
    </message>
    <message>
        <source>No mark</source>
        <translation>Keine Marke</translation>
    </message>
    <message>
        <source>Pass</source>
        <translation>Fahrt</translation>
    </message>
    <message>
        <source>The notes and their places</source>
        <translation>Die Einträge und ihre Stellen</translation>
    </message>
    <message>
        <source>#</source>
        <translation>#</translation>
    </message>
    <message>
        <source>note</source>
        <translation>Eintrag</translation>
    </message>
    <message>
        <source>place</source>
        <translation>Stelle</translation>
    </message>
    <message>
        <source>time</source>
        <translation>Zeit</translation>
    </message>
    <message>
        <source>sure within</source>
        <translation>sicher auf</translation>
    </message>
    <message>
        <source>Add a video…</source>
        <translation>Video hinzufügen…</translation>
    </message>
    <message>
        <source>Take the captions&apos; times as draft places</source>
        <translation>Die Zeiten der Untertitel als vorläufige Stellen nehmen</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Aufschrieb</translation>
    </message>
    <message>
        <source>This pass</source>
        <translation>Diese Fahrt</translation>
    </message>
    <message>
        <source>Track</source>
        <translation>Track</translation>
    </message>
    <message>
        <source>Distances</source>
        <translation>Entfernungen</translation>
    </message>
    <message>
        <source>Pace</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>A video of this stage</source>
        <translation>Ein Video dieser Prüfung</translation>
    </message>
    <message>
        <source>It is only %1 s long: a time-lapse has no times to mark by.</source>
        <translation>Es ist nur %1 s lang: ein Zeitraffer hat keine Zeiten zum Markieren.</translation>
    </message>
    <message>
        <source>Its pictures do not come evenly; each is shown at its own time.</source>
        <translation>Seine Bilder kommen ungleichmäßig; jedes wird zu seiner eigenen Zeit gezeigt.</translation>
    </message>
    <message>
        <source>It was filmed turned, and is shown upright.</source>
        <translation>Es wurde gedreht gefilmt und wird aufrecht gezeigt.</translation>
    </message>
    <message>
        <source>It has %1 sound tracks; the first is used.</source>
        <translation>Es hat %1 Tonspuren; die erste wird benutzt.</translation>
    </message>
    <message>
        <source>Now say where this pass lies in the video: play to go and press H, to the finish and press F. Then Notes (Alt+1), and %1.</source>
        <translation>Sagen Sie jetzt, wo diese Fahrt im Video liegt: bis zum Start abspielen und H drücken, bis zum Ziel und F drücken. Dann Einträge (Alt+1) und %1.</translation>
    </message>
    <message>
        <source>D: the captions&apos; times are kept there</source>
        <translation>D: dort sind die Zeiten der Untertitel aufbewahrt</translation>
    </message>
    <message>
        <source>M as the car enters each corner</source>
        <translation>M, wenn das Auto in die Kurve fährt</translation>
    </message>
    <message>
        <source>There is no video to mark in yet: add one (V).</source>
        <translation>Noch gibt es kein Video zum Markieren: fügen Sie eines hinzu (V).</translation>
    </message>
    <message>
        <source>Note %1 here? %2. M once more marks it here all the same.</source>
        <translation>Eintrag %1 hier? %2. Noch einmal M markiert ihn trotzdem hier.</translation>
    </message>
    <message>
        <source>Note %1 is marked already; there is no proposal to keep.</source>
        <translation>Eintrag %1 ist schon markiert; es gibt keinen Vorschlag zu behalten.</translation>
    </message>
    <message>
        <source>Nothing is proposed for note %1: M marks it where the car is.</source>
        <translation>Für Eintrag %1 ist nichts vorgeschlagen: M markiert ihn, wo das Auto ist.</translation>
    </message>
    <message>
        <source>%1 m</source>
        <translation>%1 m</translation>
    </message>
    <message>
        <source>marked</source>
        <translation>markiert</translation>
    </message>
    <message>
        <source>proposed, %1 s</source>
        <translation>vorgeschlagen, %1 s</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Write the notes first (F1). Then add the video of this stage.</source>
        <translation>Erst die Einträge schreiben (F1). Dann das Video dieser Prüfung hinzufügen.</translation>
    </message>
    <message>
        <source>The captions of %1 told when %2 of these notes were said. Next: take that as draft places (D), or mark them yourself (M).</source>
        <translation>Die Untertitel von %1 sagten, wann %2 dieser Einträge gesagt wurden. Weiter: das als vorläufige Stellen nehmen (D) oder selbst markieren (M).</translation>
    </message>
    <message>
        <source>%1 of %2 notes are marked, %3 are proposed. Go through the list: K keeps a proposal, M sets it anew as the car enters the corner.</source>
        <translation>%1 von %2 Einträgen sind markiert, %3 vorgeschlagen. Gehen Sie die Liste durch: K behält einen Vorschlag, M setzt ihn neu, wenn das Auto in die Kurve fährt.</translation>
    </message>
    <message>
        <source>%1 of %2 notes are marked; the least sure is within %3 s. Play (Space), and press M as the car enters the corner.</source>
        <translation>%1 von %2 Einträgen sind markiert; der unsicherste ist auf %3 s bekannt. Abspielen (Leertaste) und M drücken, wenn das Auto in die Kurve fährt.</translation>
    </message>
    <message>
        <source>and %1 more like it</source>
        <translation>und %1 weitere dieser Art</translation>
    </message>
    <message>
        <source>1  %1</source>
        <translation>1  %1</translation>
    </message>
    <message>
        <source>No sound: this stage has no video.</source>
        <translation>Kein Ton: diese Prüfung hat kein Video.</translation>
    </message>
    <message>
        <source>Reading the sound…</source>
        <translation>Der Ton wird gelesen…</translation>
    </message>
    <message>
        <source>The sound ends at %1 of %2: the file is cut short or broken there. What is before can be used.</source>
        <translation>Der Ton endet bei %1 von %2: die Datei ist dort abgeschnitten oder kaputt. Was davor ist, lässt sich benutzen.</translation>
    </message>
    <message numerus="yes">
        <source>Mark %n note(s) again</source>
        <translation>
            <numerusform>%n Eintrag neu markieren</numerusform>
            <numerusform>%n Einträge neu markieren</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n note(s), placed by the rehearsal pace alone. Next: add the video of this stage (V).</source>
        <translation>
            <numerusform>%n Eintrag, nur nach dem Übungstempo verortet. Weiter: das Video dieser Prüfung hinzufügen (V).</numerusform>
            <numerusform>%n Einträge, nur nach dem Übungstempo verortet. Weiter: das Video dieser Prüfung hinzufügen (V).</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>brumefall::app::PlanWorkspace</name>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>In metres (X)</source>
        <translation>In Metern (X)</translation>
    </message>
    <message>
        <source>In metres</source>
        <translation>In Metern</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Let it go</source>
        <translation>Freigeben</translation>
    </message>
    <message>
        <source>The whole call is wished earlier</source>
        <translation>Die ganze Ansage soll früher kommen</translation>
    </message>
    <message>
        <source>The whole call is wished later</source>
        <translation>Die ganze Ansage soll später kommen</translation>
    </message>
    <message>
        <source>The call sooner by a tenth of a second</source>
        <translation>Die Ansage eine Zehntelsekunde früher</translation>
    </message>
    <message>
        <source>The call later by a tenth of a second</source>
        <translation>Die Ansage eine Zehntelsekunde später</translation>
    </message>
    <message>
        <source>The next note</source>
        <translation>Der nächste Eintrag</translation>
    </message>
    <message>
        <source>The note before</source>
        <translation>Der Eintrag davor</translation>
    </message>
    <message>
        <source>A stretch of notes, one more</source>
        <translation>Der Abschnitt, ein Eintrag mehr</translation>
    </message>
    <message>
        <source>A stretch of notes, one less</source>
        <translation>Der Abschnitt, ein Eintrag weniger</translation>
    </message>
    <message>
        <source>Lets the stretch go</source>
        <translation>Gibt den Abschnitt frei</translation>
    </message>
    <message>
        <source>Where it cannot be done</source>
        <translation>Wo es nicht geht</translation>
    </message>
    <message>
        <source>What if</source>
        <translation>Was wäre wenn</translation>
    </message>
    <message>
        <source>Nothing to plan yet</source>
        <translation>Noch nichts zu planen</translation>
    </message>
    <message>
        <source>%1 of %2 notes reach the driver in time; %3 come too late, %4 too early.</source>
        <translation>%1 von %2 Einträgen erreichen den Fahrer rechtzeitig; %3 kommen zu spät, %4 zu früh.</translation>
    </message>
    <message>
        <source>In seconds (X)</source>
        <translation>In Sekunden (X)</translation>
    </message>
    <message>
        <source>As late as this call can be said in time. Once more goes beyond.</source>
        <translation>So spät, wie diese Ansage noch rechtzeitig zu sagen ist. Noch einmal geht darüber hinaus.</translation>
    </message>
    <message>
        <source>As early as this call can be said for the driver to hold it. Once more goes beyond.</source>
        <translation>So früh, wie der Fahrer diese Ansage noch behalten kann. Noch einmal geht darüber hinaus.</translation>
    </message>
    <message>
        <source>Next: look at each note that comes too late. ↑ and ↓ go from note to note, with Shift over a stretch; drag a call to move it by hand.</source>
        <translation>Weiter: jeden Eintrag ansehen, der zu spät kommt. ↑ und ↓ gehen von Eintrag zu Eintrag, mit Umschalt über einen Abschnitt; eine Ansage lässt sich von Hand ziehen.</translation>
    </message>
    <message>
        <source>&lt;b&gt;Notes %1 to %2&lt;/b&gt;, a stretch of %3 s.&lt;br&gt;E and L wish all of them earlier or later; B proposes where to breathe in them; Esc lets the stretch go.</source>
        <translation>&lt;b&gt;Einträge %1 bis %2&lt;/b&gt;, ein Abschnitt von %3 s.&lt;br&gt;E und L wünschen alle früher oder später; B schlägt vor, wo darin zu atmen ist; Esc gibt den Abschnitt frei.</translation>
    </message>
    <message>
        <source>That is %1 s too late.</source>
        <translation>Das ist %1 s zu spät.</translation>
    </message>
    <message>
        <source>That is %1 s too early.</source>
        <translation>Das ist %1 s zu früh.</translation>
    </message>
    <message>
        <source>That is in time.</source>
        <translation>Das ist rechtzeitig.</translation>
    </message>
    <message>
        <source>&lt;b&gt;%1 &amp;nbsp;%2&lt;/b&gt;&lt;br&gt;Start at %3, finish at %4: %5 s and %6 m %12 the driver must act, with %7 ahead. %8&lt;br&gt;The window opens at %9 and closes at %10; best is %11.%13</source>
        <translation>&lt;b&gt;%1 &amp;nbsp;%2&lt;/b&gt;&lt;br&gt;Beginn bei %3, Ende bei %4: %5 s und %6 m %12 der Fahrer handeln muss, mit %7 voraus. %8&lt;br&gt;Das Fenster öffnet bei %9 und schließt bei %10; am besten ist %11.%13</translation>
    </message>
    <message numerus="yes">
        <source>%n note(s)</source>
        <translation>
            <numerusform>%n Eintrag</numerusform>
            <numerusform>%n Einträgen</numerusform>
        </translation>
    </message>
    <message>
        <source>after</source>
        <translation>nach</translation>
    </message>
    <message>
        <source>before</source>
        <translation>bevor</translation>
    </message>
    <message>
        <source> This call is held where you put it.</source>
        <translation> Diese Ansage bleibt, wo Sie sie hingesetzt haben.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::Practice</name>
    <message>
        <source>There are fewer notes now than when this was chosen. Next: choose again, and record (R).</source>
        <translation>Es gibt jetzt weniger Einträge als bei der Wahl. Weiter: neu wählen und aufnehmen (R).</translation>
    </message>
    <message>
        <source>Thrown in at note %1: the first call was said after %2 s.</source>
        <translation>Bei Eintrag %1 hineingeworfen: die erste Ansage kam nach %2 s.</translation>
    </message>
    <message>
        <source>Thrown away.</source>
        <translation>Weggeworfen.</translation>
    </message>
    <message>
        <source>Nobody was heard twice in a row. The stretch is not read again by itself.</source>
        <translation>Zweimal hintereinander war niemand zu hören. Der Abschnitt wird nicht von selbst wieder gelesen.</translation>
    </message>
    <message>
        <source>Clean %1 in a row, of %2 in all. Next: the whole stage, or another stretch.</source>
        <translation>%1-mal hintereinander sauber, %2-mal insgesamt. Weiter: die ganze Prüfung oder ein anderer Abschnitt.</translation>
    </message>
    <message>
        <source>Without the page %1 of %2 notes were on time; with it %3 of %4.</source>
        <translation>Ohne die Seite waren %1 von %2 Einträgen rechtzeitig; mit ihr %3 von %4.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::PracticeBar</name>
    <message>
        <source>noise</source>
        <translation>Geräusch</translation>
    </message>
    <message>
        <source>printed</source>
        <translation>gedruckt</translation>
    </message>
    <message>
        <source>Way to practise</source>
        <translation>Art zu üben</translation>
    </message>
    <message>
        <source>How fast, of the pace</source>
        <translation>Wie schnell, vom Tempo</translation>
    </message>
    <message>
        <source>First note to read</source>
        <translation>Erster Eintrag zum Lesen</translation>
    </message>
    <message>
        <source>here</source>
        <translation>hier</translation>
    </message>
    <message>
        <source>Last note to read</source>
        <translation>Letzter Eintrag zum Lesen</translation>
    </message>
    <message>
        <source>end</source>
        <translation>Ziel</translation>
    </message>
    <message>
        <source>Clean readings in a row</source>
        <translation>Saubere Lesungen hintereinander</translation>
    </message>
    <message>
        <source> clean in a row</source>
        <translation>-mal sauber hintereinander</translation>
    </message>
    <message>
        <source>A car&apos;s noise under it</source>
        <translation>Darunter das Geräusch eines Autos</translation>
    </message>
    <message>
        <source>Pages as they are printed, with their turns</source>
        <translation>Seiten, wie sie gedruckt sind, mit ihren Wenden</translation>
    </message>
    <message>
        <source>Practise</source>
        <translation>Üben</translation>
    </message>
    <message>
        <source>notes</source>
        <translation>Einträge</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
</context>
<context>
    <name>brumefall::app::ReadWorkspace</name>
    <message>
        <source>Who reads</source>
        <translation>Wer liest</translation>
    </message>
    <message>
        <source>Loudness</source>
        <translation>Lautstärke</translation>
    </message>
    <message>
        <source>There is no video to read along yet: the clock runs along the plan. Next: add a video in Places (F2).</source>
        <translation>Es gibt kein Video zum Mitlesen: die Uhr läuft den Plan entlang. Weiter: in Stellen (F2) ein Video hinzufügen.</translation>
    </message>
    <message>
        <source>Record (R)</source>
        <translation>Aufnehmen (R)</translation>
    </message>
    <message>
        <source>read by</source>
        <translation>gelesen von</translation>
    </message>
    <message>
        <source>Again</source>
        <translation>Noch einmal</translation>
    </message>
    <message>
        <source>Throw away</source>
        <translation>Wegwerfen</translation>
    </message>
    <message>
        <source>Delay</source>
        <translation>Verzögerung</translation>
    </message>
    <message>
        <source>Measure by how much this microphone hears late: some ticks are played</source>
        <translation>Messen, wie viel zu spät dieses Mikrofon hört: einige Ticks werden abgespielt</translation>
    </message>
    <message>
        <source>Guide</source>
        <translation>Führung</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Take these leads</source>
        <translation>Diese Vorläufe nehmen</translation>
    </message>
    <message>
        <source>Turn the printed page</source>
        <translation>Die gedruckte Seite wenden</translation>
    </message>
    <message>
        <source>Turn it back</source>
        <translation>Zurückwenden</translation>
    </message>
    <message>
        <source>Simulated reader</source>
        <translation>Simulierter Leser</translation>
    </message>
    <message>
        <source>Ticks are played: keep quiet for seven seconds…</source>
        <translation>Ticks werden abgespielt: sieben Sekunden lang still sein…</translation>
    </message>
    <message>
        <source>Take the leads of the driver&apos;s ear</source>
        <translation>Die Vorläufe nach dem Ohr des Fahrers nehmen</translation>
    </message>
    <message>
        <source>Stop (R)</source>
        <translation>Halt (R)</translation>
    </message>
    <message>
        <source>Listen (R)</source>
        <translation>Hören (R)</translation>
    </message>
    <message>
        <source>There is nothing to read yet: write the notes (F1).</source>
        <translation>Noch ist nichts zu lesen da: schreiben Sie die Einträge (F1).</translation>
    </message>
    <message>
        <source>The simulated reader clears its throat: %1 %. R stops it.</source>
        <translation>Der simulierte Leser räuspert sich: %1 %. R hält ihn an.</translation>
    </message>
    <message>
        <source>Preparing the guide voice: %1 %. G stops it.</source>
        <translation>Die Führungsstimme wird vorbereitet: %1 %. G hält sie an.</translation>
    </message>
    <message>
        <source>%1 hears nothing. Choose another microphone, or see that it is plugged in and not turned off.</source>
        <translation>%1 hört nichts. Wählen Sie ein anderes Mikrofon, oder sehen Sie nach, ob es angesteckt und nicht abgeschaltet ist.</translation>
    </message>
    <message>
        <source>%1 hears a voice only faintly. Come nearer, or turn it up in the desktop&apos;s sound settings.</source>
        <translation>%1 hört eine Stimme nur schwach. Kommen Sie näher, oder stellen Sie es in den Toneinstellungen lauter.</translation>
    </message>
    <message>
        <source>%1 is overdriven. Turn it down in the desktop&apos;s sound settings, or keep further off.</source>
        <translation>%1 ist übersteuert. Stellen Sie es in den Toneinstellungen leiser, oder gehen Sie weiter weg.</translation>
    </message>
    <message>
        <source>Paused at %1 s, voice and video alike. Next: go on (Space), or stop (R).</source>
        <translation>Angehalten bei %1 s, Stimme und Video zugleich. Weiter: fortfahren (Leertaste) oder beenden (R).</translation>
    </message>
    <message>
        <source>After a note: earlier (E) or later (L); nothing where it was right. </source>
        <translation>Nach einem Eintrag: früher (E) oder später (L); nichts, wo es stimmte. </translation>
    </message>
    <message>
        <source>Listen: the guide voice reads it first. Then it is your turn.</source>
        <translation>Hören Sie zu: die Führungsstimme liest es zuerst. Dann sind Sie dran.</translation>
    </message>
    <message>
        <source>Clean in a row: %1 of %2. It is read again by itself; R stops it.</source>
        <translation>Sauber hintereinander: %1 von %2. Es wird von selbst noch einmal gelesen; R beendet es.</translation>
    </message>
    <message>
        <source>Where are you? Find the place, and read on from there.</source>
        <translation>Wo sind Sie? Finden Sie die Stelle und lesen Sie von dort weiter.</translation>
    </message>
    <message>
        <source>Recording: %1 s. Everything said so far is on the disk. Pause (Space), throw away (X), stop (R); it stops by itself after the finish.</source>
        <translation>Aufnahme: %1 s. Alles bisher Gesagte liegt auf dem Datenträger. Pause (Leertaste), wegwerfen (X), beenden (R); nach dem Ziel hört es von selbst auf.</translation>
    </message>
    <message>
        <source>Finding your calls in the recording…</source>
        <translation>Ihre Ansagen werden in der Aufnahme gesucht…</translation>
    </message>
    <message>
        <source>Heard: %1. Next: take these leads (T), or listen on (R).</source>
        <translation>Gehört: %1. Weiter: diese Vorläufe nehmen (T) oder weiterhören (R).</translation>
    </message>
    <message>
        <source>%1. Next: %2 (R). A click on a note goes there; Shift and a click choose the notes up to it.</source>
        <translation>%1. Weiter: %2 (R). Ein Klick auf einen Eintrag geht dorthin; Umschalt und ein Klick wählen die Einträge bis zu ihm.</translation>
    </message>
    <message>
        <source>listen</source>
        <translation>hören</translation>
    </message>
    <message>
        <source>record</source>
        <translation>aufnehmen</translation>
    </message>
</context>
<context>
    <name>brumefall::app::ReadingImport</name>
    <message>
        <source>A reading of this stage: sound or video</source>
        <translation>Eine Lesung dieser Prüfung: Ton oder Video</translation>
    </message>
    <message>
        <source>There are no notes to judge a reading by. Write them first (F1).</source>
        <translation>Es gibt keine Einträge, an denen eine Lesung zu messen wäre. Schreiben Sie sie erst (F1).</translation>
    </message>
    <message>
        <source>Finding the calls in %1…</source>
        <translation>Die Ansagen in %1 werden gesucht…</translation>
    </message>
    <message>
        <source>%1 is not judged: %2.</source>
        <translation>%1 wird nicht beurteilt: %2.</translation>
    </message>
    <message>
        <source>Finding the calls in %1: %2 %</source>
        <translation>Die Ansagen in %1 werden gesucht: %2 %</translation>
    </message>
    <message>
        <source>%1 is judged: %2.</source>
        <translation>%1 ist beurteilt: %2.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::ReviewWorkspace</name>
    <message>
        <source>Find the calls in it</source>
        <translation>Die Ansagen darin suchen</translation>
    </message>
    <message>
        <source>This pass has no video.</source>
        <translation>Diese Fahrt hat kein Video.</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Durchgang</translation>
    </message>
    <message>
        <source>From elsewhere…</source>
        <translation>Von anderswo…</translation>
    </message>
    <message>
        <source>Judge a reading that was recorded in the car, by an intercom, a phone or the onboard itself</source>
        <translation>Eine Lesung beurteilen, die im Auto, von der Sprechanlage, einem Telefon oder der Kamera selbst aufgenommen wurde</translation>
    </message>
    <message>
        <source>Rhythm</source>
        <translation>Rhythmus</translation>
    </message>
    <message>
        <source>Tuning</source>
        <translation>Abstimmung</translation>
    </message>
    <message>
        <source>Notes that are shown</source>
        <translation>Einträge, die gezeigt werden</translation>
    </message>
    <message>
        <source>all notes</source>
        <translation>alle Einträge</translation>
    </message>
    <message>
        <source>every fault</source>
        <translation>jeder Fehler</translation>
    </message>
    <message>
        <source>late</source>
        <translation>zu spät</translation>
    </message>
    <message>
        <source>early</source>
        <translation>zu früh</translation>
    </message>
    <message>
        <source>missed</source>
        <translation>nicht gesagt</translation>
    </message>
    <message>
        <source>misread</source>
        <translation>falsch gelesen</translation>
    </message>
    <message>
        <source>Next fault</source>
        <translation>Nächster Fehler</translation>
    </message>
    <message>
        <source>The fault before</source>
        <translation>Der Fehler davor</translation>
    </message>
    <message>
        <source>The take that it is compared with</source>
        <translation>Der Durchgang, mit dem verglichen wird</translation>
    </message>
    <message>
        <source>Verdicts</source>
        <translation>Urteile</translation>
    </message>
    <message>
        <source>There is no such fault in this take.</source>
        <translation>Einen solchen Fehler gibt es in diesem Durchgang nicht.</translation>
    </message>
    <message>
        <source>Next: read the stage once (F4)</source>
        <translation>Weiter: die Prüfung einmal lesen (F4)</translation>
    </message>
    <message>
        <source>There are no takes yet; what happened in one stands here.</source>
        <translation>Noch gibt es keine Durchgänge; was in einem geschah, steht hier.</translation>
    </message>
    <message>
        <source>%1 of %2 on time; %3 late, %4 early, %5 missed, %6 misread.</source>
        <translation>%1 von %2 rechtzeitig; %3 zu spät, %4 zu früh, %5 ausgelassen, %6 falsch gelesen.</translation>
    </message>
    <message>
        <source>Finding the calls…</source>
        <translation>Die Ansagen werden gesucht…</translation>
    </message>
    <message>
        <source>Recorded, not judged yet.</source>
        <translation>Aufgenommen, noch nicht beurteilt.</translation>
    </message>
    <message>
        <source>Nothing in this take is a note of this stage.</source>
        <translation>Nichts in diesem Durchgang ist ein Eintrag dieser Prüfung.</translation>
    </message>
    <message>
        <source>What was heard is silence, talk, or the notes of another stage. Next: see that the microphone hears you (F4), and read again.</source>
        <translation>Gehört wurden Stille, Gerede oder die Einträge einer anderen Prüfung. Weiter: nachsehen, dass das Mikrofon Sie hört (F4), und noch einmal lesen.</translation>
    </message>
    <message>
        <source>No note of this stage was due in this take.</source>
        <translation>Kein Eintrag dieser Prüfung war in diesem Durchgang dran.</translation>
    </message>
    <message>
        <source>It ended before the first one could be heard. Next: read on from the start line, or throw this take away (F6, Del).</source>
        <translation>Er endete, bevor der erste zu hören sein konnte. Weiter: von der Startlinie an lesen oder diesen Durchgang wegwerfen (F6, Entf).</translation>
    </message>
    <message>
        <source>The reading keeps pace with the plan.</source>
        <translation>Die Lesung hält mit dem Plan Schritt.</translation>
    </message>
    <message>
        <source>The reading falls behind by %1 s a minute.</source>
        <translation>Die Lesung fällt um %1 s je Minute zurück.</translation>
    </message>
    <message>
        <source>The reading runs ahead by %1 s a minute.</source>
        <translation>Die Lesung läuft um %1 s je Minute voraus.</translation>
    </message>
    <message>
        <source>%1 %2 syllables a second while speaking; longest without a breath %3 s; %4 hesitated, %5 repeated. Faults: %6 of the reading, %7 of the plan. Next: the next fault (N); Enter plays a note.</source>
        <translation>%1 %2 Silben je Sekunde beim Sprechen; längstens %3 s ohne Atem; %4 gestockt, %5 wiederholt. Fehler: %6 der Lesung, %7 des Plans. Weiter: der nächste Fehler (N); Eingabe spielt einen Eintrag.</translation>
    </message>
    <message>
        <source>Beside %1: of %2 notes due in both, %3 on time here and %4 there; leads here are %5 (median); %6 notes sooner here, %7 later. The thin line under each bar is the other take.</source>
        <translation>Neben %1: von %2 Einträgen, die in beiden dran waren, %3 hier rechtzeitig und %4 dort; die Vorläufe sind hier %5 (Median); %6 Einträge hier früher, %7 später. Die dünne Linie unter jedem Balken ist der andere Durchgang.</translation>
    </message>
    <message>
        <source>as long</source>
        <translation>gleich lang</translation>
    </message>
    <message>
        <source>%1 s shorter</source>
        <translation>%1 s kürzer</translation>
    </message>
    <message>
        <source>%1 s longer</source>
        <translation>%1 s länger</translation>
    </message>
    <message>
        <source>The recording is kept as %1.</source>
        <translation>Die Aufnahme wird als %1 behalten.</translation>
    </message>
    <message>
        <source>beside: none</source>
        <translation>daneben: keiner</translation>
    </message>
    <message>
        <source>beside: %1</source>
        <translation>daneben: %1</translation>
    </message>
    <message>
        <source>What is read is drawn here beside what was planned.</source>
        <translation>Was gelesen wird, steht hier neben dem Plan.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::RhythmPanel</name>
    <message>
        <source>Rhythm of the take, call by call</source>
        <translation>Rhythmus des Durchgangs, Ansage für Ansage</translation>
    </message>
    <message>
        <source>#</source>
        <translation>#</translation>
    </message>
    <message>
        <source>what was heard</source>
        <translation>was gehört wurde</translation>
    </message>
    <message>
        <source>syllables a second (planned)</source>
        <translation>Silben je Sekunde (geplant)</translation>
    </message>
    <message>
        <source>still before it, s (planned)</source>
        <translation>Stille davor, s (geplant)</translation>
    </message>
    <message>
        <source>hesitated</source>
        <translation>gestockt</translation>
    </message>
    <message>
        <source>begun</source>
        <translation>begonnen</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>%1 s later</source>
        <translation>%1 s später</translation>
    </message>
    <message>
        <source>%1 s sooner</source>
        <translation>%1 s früher</translation>
    </message>
    <message>
        <source>as planned</source>
        <translation>wie geplant</translation>
    </message>
</context>
<context>
    <name>brumefall::app::SideTabs</name>
    <message>
        <source>Alt+</source>
        <translation>Alt+</translation>
    </message>
</context>
<context>
    <name>brumefall::app::Spine</name>
    <message>
        <source>The stage, go at the bottom</source>
        <translation>Die Prüfung, Start unten</translation>
    </message>
    <message>
        <source>The stage, go at the bottom. Click or drag to go there; type a note&apos;s number and Enter. Shift and drag marks the note in view.</source>
        <translation>Die Prüfung, Start unten. Klicken oder ziehen geht dorthin; oder die Nummer eines Eintrags tippen und Eingabe. Umschalt und Ziehen markiert den sichtbaren Eintrag.</translation>
    </message>
    <message>
        <source>The road is drawn from the notes</source>
        <translation>Die Straße ist aus den Einträgen gezeichnet</translation>
    </message>
    <message>
        <source>Open a stage</source>
        <translation>Eine Prüfung öffnen</translation>
    </message>
    <message>
        <source>go</source>
        <translation>Start</translation>
    </message>
    <message>
        <source>%1 m</source>
        <translation>%1 m</translation>
    </message>
</context>
<context>
    <name>brumefall::app::StartPage</name>
    <message>
        <source>Open again</source>
        <translation>Wieder öffnen</translation>
    </message>
    <message>
        <source>Begin with a stage</source>
        <translation>Mit einer Prüfung beginnen</translation>
    </message>
    <message>
        <source>A stage is a folder: its notes, its videos, your takes. Begin a new one, or look round in the demo first.</source>
        <translation>Eine Prüfung ist ein Ordner: ihr Aufschrieb, ihre Videos, Ihre Durchgänge. Beginnen Sie eine neue, oder sehen Sie sich erst in der Vorführung um.</translation>
    </message>
    <message>
        <source>New stage…</source>
        <translation>Neue Prüfung…</translation>
    </message>
    <message>
        <source>Write notes now, name the stage later</source>
        <translation>Jetzt Einträge schreiben, die Prüfung später benennen</translation>
    </message>
    <message>
        <source>Open a stage…</source>
        <translation>Prüfung öffnen…</translation>
    </message>
    <message>
        <source>Look round in the demo, Lantern Pass</source>
        <translation>Sich in der Vorführung umsehen, Lantern Pass</translation>
    </message>
    <message>
        <source>%1   in %2</source>
        <translation>%1   in %2</translation>
    </message>
    <message>
        <source>Go on with the notes that have no stage yet</source>
        <translation>Mit den Einträgen weitermachen, die noch keine Prüfung haben</translation>
    </message>
</context>
<context>
    <name>brumefall::app::StylePanel</name>
    <message>
        <source>short for</source>
        <translation>kurz für</translation>
    </message>
    <message>
        <source>our word for</source>
        <translation>unser Wort für</translation>
    </message>
    <message>
        <source>Start from a ready-made style…</source>
        <translation>Mit einem fertigen Stil beginnen…</translation>
    </message>
    <message>
        <source>as the notes show</source>
        <translation>wie die Einträge es zeigen</translation>
    </message>
    <message>
        <source>number first: four left</source>
        <translation>Zahl zuerst: four left</translation>
    </message>
    <message>
        <source>direction first: left four</source>
        <translation>Richtung zuerst: left four</translation>
    </message>
    <message>
        <source>a higher number is faster</source>
        <translation>eine höhere Zahl ist schneller</translation>
    </message>
    <message>
        <source>a lower number is faster</source>
        <translation>eine tiefere Zahl ist schneller</translation>
    </message>
    <message>
        <source>one fifty</source>
        <translation>one fifty</translation>
    </message>
    <message>
        <source>a hundred and fifty</source>
        <translation>a hundred and fifty</translation>
    </message>
    <message>
        <source>Our own words</source>
        <translation>Unsere eigenen Wörter</translation>
    </message>
    <message>
        <source>written or said</source>
        <translation>geschrieben oder gesagt</translation>
    </message>
    <message>
        <source>is</source>
        <translation>ist</translation>
    </message>
    <message>
        <source>in plain words</source>
        <translation>in schlichten Wörtern</translation>
    </message>
    <message>
        <source>A grade of your own is a word too: “bullet” is our word for “six”. Leave the plain words empty for a word that says nothing.</source>
        <translation>Auch ein eigener Grad ist ein Wort: „bullet“ ist unser Wort für „six“. Lassen Sie die schlichten Wörter leer bei einem Wort, das nichts sagt.</translation>
    </message>
    <message>
        <source>Order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>Scale</source>
        <translation>Skala</translation>
    </message>
    <message>
        <source>150 is said</source>
        <translation>150 wird gesagt</translation>
    </message>
    <message>
        <source>Add a word</source>
        <translation>Ein Wort hinzufügen</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Load…</source>
        <translation>Laden…</translation>
    </message>
    <message>
        <source>Save as a file…</source>
        <translation>Als Datei speichern…</translation>
    </message>
    <message>
        <source>Line %1: %2.</source>
        <translation>Zeile %1: %2.</translation>
    </message>
    <message>
        <source>The notes show neither order nor scale yet.</source>
        <translation>Die Einträge zeigen noch weder Reihenfolge noch Skala.</translation>
    </message>
    <message>
        <source>Start from “%1”</source>
        <translation>Mit „%1“ beginnen</translation>
    </message>
    <message>
        <source>Change how the notes are read</source>
        <translation>Ändern, wie die Einträge gelesen werden</translation>
    </message>
    <message>
        <source>Change the crew&apos;s words</source>
        <translation>Die Wörter des Teams ändern</translation>
    </message>
    <message>
        <source>Save the crew&apos;s language</source>
        <translation>Die Sprache des Teams speichern</translation>
    </message>
    <message>
        <source>JSON (*.json)</source>
        <translation>JSON (*.json)</translation>
    </message>
    <message>
        <source>Load a crew&apos;s language</source>
        <translation>Die Sprache eines Teams laden</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TakeJudge</name>
    <message>
        <source>The recording is kept, but its calls were not found. %1</source>
        <translation>Die Aufnahme wird behalten, aber ihre Ansagen wurden nicht gefunden. %1</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TakeRecorder</name>
    <message>
        <source>%1 has given no sound for %2 s: it was unplugged, or the system put it to sleep. The take is ended; what was recorded is kept.</source>
        <translation>%1 gab seit %2 s keinen Ton: es wurde abgezogen, oder das System hat es schlafen gelegt. Der Durchgang ist beendet; was aufgenommen ist, bleibt.</translation>
    </message>
    <message>
        <source>%1 gave no sound: there is no take. Choose another microphone, or see that it is plugged in.</source>
        <translation>%1 gab keinen Ton: es gibt keinen Durchgang. Wählen Sie ein anderes Mikrofon, oder sehen Sie nach, ob es angesteckt ist.</translation>
    </message>
    <message>
        <source>That was too short for a take.</source>
        <translation>Das war zu kurz für einen Durchgang.</translation>
    </message>
    <message>
        <source>%1 lost %2 s of sound in this take; what followed keeps its time.</source>
        <translation>%1 hat in diesem Durchgang %2 s Ton verloren; was danach kam, behält seine Zeit.</translation>
    </message>
    <message>
        <source>The video stood still for %1 s in this take; the verdicts may be off by as much.</source>
        <translation>Das Video stand in diesem Durchgang %1 s still; die Urteile können um so viel danebenliegen.</translation>
    </message>
    <message>
        <source>The stage&apos;s clock stood still for %1 s in this take; the verdicts may be off by as much.</source>
        <translation>Die Uhr der Prüfung stand in diesem Durchgang %1 s still; die Urteile können um so viel danebenliegen.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TakeWave</name>
    <message>
        <source>Sound of the take</source>
        <translation>Ton des Durchgangs</translation>
    </message>
    <message>
        <source>The recording of this take is not there.</source>
        <translation>Die Aufnahme dieses Durchgangs ist nicht da.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TakesPage</name>
    <message>
        <source>Takes</source>
        <translation>Durchgänge</translation>
    </message>
    <message>
        <source>take</source>
        <translation>nehmen</translation>
    </message>
    <message>
        <source>called</source>
        <translation>heißt</translation>
    </message>
    <message>
        <source>pass</source>
        <translation>Fahrt</translation>
    </message>
    <message>
        <source>read by</source>
        <translation>gelesen von</translation>
    </message>
    <message>
        <source>on time</source>
        <translation>rechtzeitig</translation>
    </message>
    <message>
        <source>late</source>
        <translation>zu spät</translation>
    </message>
    <message>
        <source>missed</source>
        <translation>nicht gesagt</translation>
    </message>
    <message>
        <source>misread</source>
        <translation>falsch gelesen</translation>
    </message>
    <message>
        <source>drift a minute</source>
        <translation>Abdrift je Minute</translation>
    </message>
    <message>
        <source>rate</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>remark</source>
        <translation>Bemerkung</translation>
    </message>
    <message>
        <source>What the take is called</source>
        <translation>Wie der Durchgang heißt</translation>
    </message>
    <message>
        <source>what it is called</source>
        <translation>wie er heißt</translation>
    </message>
    <message>
        <source>A remark on the take</source>
        <translation>Eine Bemerkung zum Durchgang</translation>
    </message>
    <message>
        <source>a remark on it</source>
        <translation>eine Bemerkung dazu</translation>
    </message>
    <message>
        <source>Open in Review</source>
        <translation>In Auswerten öffnen</translation>
    </message>
    <message>
        <source>Into the trash</source>
        <translation>In den Papierkorb</translation>
    </message>
    <message>
        <source>Name it</source>
        <translation>Benennen</translation>
    </message>
    <message>
        <source>not judged</source>
        <translation>nicht beurteilt</translation>
    </message>
    <message>
        <source>nothing heard</source>
        <translation>nichts gehört</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>%1 syll/s</source>
        <translation>%1 Silben/s</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TonightPage</name>
    <message>
        <source>What to practise tonight</source>
        <translation>Was heute Abend zu üben ist</translation>
    </message>
    <message>
        <source>done</source>
        <translation>getan</translation>
    </message>
    <message>
        <source>stage</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>notes</source>
        <translation>Einträge</translation>
    </message>
    <message>
        <source>minutes</source>
        <translation>Minuten</translation>
    </message>
    <message>
        <source>way</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>why</source>
        <translation>warum</translation>
    </message>
    <message>
        <source>Minutes that there are tonight</source>
        <translation>Minuten, die heute Abend da sind</translation>
    </message>
    <message>
        <source> minutes</source>
        <translation> Minuten</translation>
    </message>
    <message>
        <source>Tonight there are</source>
        <translation>Heute Abend sind da</translation>
    </message>
    <message>
        <source>Begin this</source>
        <translation>Das beginnen</translation>
    </message>
    <message>
        <source>New list</source>
        <translation>Neue Liste</translation>
    </message>
    <message>
        <source>Nothing here gains from being read tonight: it was all read well, and lately. Give more minutes, or read a whole stage (F4).</source>
        <translation>Nichts hier gewinnt, wenn es heute Abend gelesen wird: alles wurde gut gelesen, und erst kürzlich. Geben Sie mehr Minuten, oder lesen Sie eine ganze Prüfung (F4).</translation>
    </message>
    <message>
        <source>All of it is done. New list (A) shows what gains most now.</source>
        <translation>Alles ist getan. Neue Liste (A) zeigt, was jetzt am meisten gewinnt.</translation>
    </message>
    <message>
        <source>%1 stretches, %2 minutes; %3 done. What gains most stands first: trouble, danger, and how long ago it was read. Enter begins the chosen one in its way; the list then goes on to the next.</source>
        <translation>%1 Abschnitte, %2 Minuten; %3 getan. Was am meisten gewinnt, steht zuerst: Sorgen, Gefahr, und wie lange es her ist. Eingabe beginnt den gewählten auf seine Art; danach geht die Liste zum nächsten.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TrackPanel</name>
    <message>
        <source>Take it as this pass&apos;s pace</source>
        <translation>Als das Tempo dieser Fahrt nehmen</translation>
    </message>
    <message>
        <source>Propose places by its bends</source>
        <translation>Stellen nach seinen Bögen vorschlagen</translation>
    </message>
    <message>
        <source>Load a track…</source>
        <translation>Track laden…</translation>
    </message>
    <message>
        <source>A track of this pass (GPX, or a table of time with distance, speed or position) measures the pace, and its bends tell where the notes are.</source>
        <translation>Ein Track dieser Fahrt (GPX, oder eine Tabelle der Zeit mit Strecke, Geschwindigkeit oder Position) misst das Tempo, und seine Bögen sagen, wo die Einträge sind.</translation>
    </message>
    <message>
        <source>by go: where it drives off</source>
        <translation>nach dem Start: wo er losfährt</translation>
    </message>
    <message>
        <source>by the stop: where the video is now</source>
        <translation>nach dem Halt: wo das Video jetzt ist</translation>
    </message>
    <message>
        <source>by the marks of this pass</source>
        <translation>nach den Marken dieser Fahrt</translation>
    </message>
    <message>
        <source>The bends of the track are matched to the notes; notes that are marked stay.</source>
        <translation>Die Bögen des Tracks werden den Einträgen zugeordnet; markierte Einträge bleiben.</translation>
    </message>
    <message>
        <source>Lay it to the video</source>
        <translation>Ans Video legen</translation>
    </message>
    <message>
        <source>A track of this pass</source>
        <translation>Ein Track dieser Fahrt</translation>
    </message>
    <message>
        <source>Tracks (*.gpx *.csv *.txt *.tsv);;All files (*)</source>
        <translation>Tracks (*.gpx *.csv *.txt *.tsv);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>The pace of this pass is measured: %1.</source>
        <translation>Das Tempo dieser Fahrt ist gemessen: %1.</translation>
    </message>
    <message>
        <source>%1: %2 points, %3 m, driving from %4 to %5.</source>
        <translation>%1: %2 Punkte, %3 m, in Fahrt von %4 bis %5.</translation>
    </message>
    <message>
        <source>The car stands at %1.</source>
        <translation>Das Auto steht bei %1.</translation>
    </message>
    <message>
        <source>Go is at %1 of the track</source>
        <translation>Der Start ist bei %1 des Tracks</translation>
    </message>
    <message>
        <source>, within %1 s by the marks.</source>
        <translation>, nach den Marken auf %1 s.</translation>
    </message>
    <message>
        <source>%1: laid by go instead.</source>
        <translation>%1: stattdessen nach dem Start gelegt.</translation>
    </message>
    <message>
        <source>Take the track %1</source>
        <translation>Den Track %1 nehmen</translation>
    </message>
    <message>
        <source>The bends of %1 and the notes do not fit each other; no place is proposed.</source>
        <translation>Die Bögen von %1 und die Einträge passen nicht zueinander; keine Stelle wird vorgeschlagen.</translation>
    </message>
    <message>
        <source>Places by the bends of %1</source>
        <translation>Stellen nach den Bögen von %1</translation>
    </message>
    <message>
        <source>%1 places are proposed by the bends of the track. Play and watch: K keeps one, M sets it anew.</source>
        <translation>%1 Stellen sind nach den Bögen des Tracks vorgeschlagen. Abspielen und zusehen: K behält eine, M setzt sie neu.</translation>
    </message>
    <message>
        <source>trip %1 m</source>
        <translation>Zähler %1 m</translation>
    </message>
</context>
<context>
    <name>brumefall::app::Transport</name>
    <message>
        <source>The video of this pass lies outside the stage&apos;s folder, and nobody here has chosen it: %1. “Find its video again” (Places) opens it.</source>
        <translation>Das Video dieser Fahrt liegt außerhalb des Ordners der Prüfung, und niemand hier hat es gewählt: %1. „Ihr Video wiederfinden“ (Stellen) öffnet es.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TransportBar</name>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>Go</source>
        <translation>Start</translation>
    </message>
    <message>
        <source>−5 s</source>
        <translation>−5 s</translation>
    </message>
    <message>
        <source>+5 s</source>
        <translation>+5 s</translation>
    </message>
    <message>
        <source>Frame</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Slower</source>
        <translation>Langsamer</translation>
    </message>
    <message>
        <source>Faster</source>
        <translation>Schneller</translation>
    </message>
    <message>
        <source>The picture cannot be played as fast as the pace asks here.</source>
        <translation>So schnell, wie es das Tempo hier verlangt, lässt sich das Bild nicht abspielen.</translation>
    </message>
    <message>
        <source>Pause (Space)</source>
        <translation>Pause (Leertaste)</translation>
    </message>
    <message>
        <source>Play (Space)</source>
        <translation>Abspielen (Leertaste)</translation>
    </message>
    <message>
        <source>%1   %2 m</source>
        <translation>%1   %2 m</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TrendsPage</name>
    <message>
        <source>The figure that is shown</source>
        <translation>Die Zahl, die gezeigt wird</translation>
    </message>
    <message>
        <source>Of this stage, or of the rally</source>
        <translation>Dieser Prüfung oder der Rallye</translation>
    </message>
    <message>
        <source>of this stage</source>
        <translation>dieser Prüfung</translation>
    </message>
    <message>
        <source>of the rally</source>
        <translation>der Rallye</translation>
    </message>
    <message>
        <source>The figure, take after take</source>
        <translation>Die Zahl, Durchgang für Durchgang</translation>
    </message>
    <message>
        <source>Take before</source>
        <translation>Durchgang davor</translation>
    </message>
    <message>
        <source>Take after</source>
        <translation>Durchgang danach</translation>
    </message>
    <message>
        <source>Open in Review</source>
        <translation>In Auswerten öffnen</translation>
    </message>
    <message>
        <source>%</source>
        <translation>%</translation>
    </message>
    <message>
        <source>take, oldest first</source>
        <translation>Durchgang, ältester zuerst</translation>
    </message>
    <message>
        <source>There is no whole take to draw yet. Parts of a stage, and takes in which nothing was heard, are no points. Next: read the whole stage (F4).</source>
        <translation>Noch gibt es keinen ganzen Durchgang zu zeichnen. Teile einer Prüfung und Durchgänge, in denen nichts gehört wurde, sind keine Punkte. Weiter: die ganze Prüfung lesen (F4).</translation>
    </message>
    <message>
        <source>%1, %2 (%3): %4 %5 %6. Click a point, or O, to open its take.</source>
        <translation>%1, %2 (%3): %4 %5 %6. Ein Klick auf einen Punkt, oder O, öffnet seinen Durchgang.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TroublePage</name>
    <message>
        <source>Notes that go wrong again and again</source>
        <translation>Einträge, die immer wieder misslingen</translation>
    </message>
    <message>
        <source>stage</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>note</source>
        <translation>Eintrag</translation>
    </message>
    <message>
        <source>wrong</source>
        <translation>falsch</translation>
    </message>
    <message>
        <source>by the plan</source>
        <translation>durch den Plan</translation>
    </message>
    <message>
        <source>by the reading</source>
        <translation>durch die Lesung</translation>
    </message>
    <message>
        <source>most often</source>
        <translation>am häufigsten</translation>
    </message>
    <message>
        <source>Words that go wrong again and again</source>
        <translation>Wörter, die immer wieder misslingen</translation>
    </message>
    <message>
        <source>word</source>
        <translation>Wort</translation>
    </message>
    <message>
        <source>more often</source>
        <translation>häufiger</translation>
    </message>
    <message>
        <source>Show it in Plan</source>
        <translation>Im Plan zeigen</translation>
    </message>
    <message>
        <source>Say it easier</source>
        <translation>Leichter sagen</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message>
        <source>%1 times</source>
        <translation>%1-mal</translation>
    </message>
    <message>
        <source>No note goes wrong again and again.</source>
        <translation>Kein Eintrag misslingt immer wieder.</translation>
    </message>
    <message>
        <source>It could be said “%1”.</source>
        <translation>Es ließe sich „%1“ sagen.</translation>
    </message>
    <message>
        <source>Its stage is not open: O opens it.</source>
        <translation>Seine Prüfung ist nicht offen: O öffnet sie.</translation>
    </message>
    <message>
        <source>No reading helps here: O shows what the plan can do.</source>
        <translation>Hier hilft kein Lesen: O zeigt, was der Plan tun kann.</translation>
    </message>
    <message>
        <source>There is no easier way to say it, and nothing of it can stay unsaid.</source>
        <translation>Leichter lässt es sich nicht sagen, und nichts davon darf ungesagt bleiben.</translation>
    </message>
    <message>
        <source>It is “%1” in the notes now; Ctrl+Z takes that back.</source>
        <translation>Jetzt steht „%1“ im Aufschrieb; Strg+Z nimmt es zurück.</translation>
    </message>
</context>
<context>
    <name>brumefall::app::TuningPanel</name>
    <message>
        <source>Leads by class of notes</source>
        <translation>Vorläufe nach Klassen von Einträgen</translation>
    </message>
    <message>
        <source>class</source>
        <translation>Klasse</translation>
    </message>
    <message>
        <source>lead now</source>
        <translation>Vorlauf jetzt</translation>
    </message>
    <message>
        <source>driver wishes</source>
        <translation>Fahrer wünscht</translation>
    </message>
    <message>
        <source>likely between</source>
        <translation>wohl zwischen</translation>
    </message>
    <message>
        <source>remarks</source>
        <translation>Bemerkungen</translation>
    </message>
    <message>
        <source>what moves</source>
        <translation>was sich bewegt</translation>
    </message>
    <message>
        <source>read in this take</source>
        <translation>in diesem Durchgang gelesen</translation>
    </message>
    <message>
        <source>Take this lead</source>
        <translation>Diesen Vorlauf nehmen</translation>
    </message>
    <message>
        <source>Take all</source>
        <translation>Alle nehmen</translation>
    </message>
    <message>
        <source>Take the reader</source>
        <translation>Den Leser nehmen</translation>
    </message>
    <message>
        <source>Keep this take&apos;s leads as a driver</source>
        <translation>Die Vorläufe dieses Durchgangs als Fahrer behalten</translation>
    </message>
    <message>
        <source>nothing said</source>
        <translation>nichts gesagt</translation>
    </message>
    <message>
        <source>%1, but it contradicts itself</source>
        <translation>%1, aber es widerspricht sich</translation>
    </message>
    <message>
        <source>%1 and %2 s</source>
        <translation>%1 und %2 s</translation>
    </message>
    <message>
        <source>%1 calls, %2 m sooner</source>
        <translation>%1 Ansagen, %2 m früher</translation>
    </message>
    <message>
        <source>%1 s in %2 notes</source>
        <translation>%1 s in %2 Einträgen</translation>
    </message>
    <message>
        <source>The driver has said nothing yet. Next: choose a note of a take (U goes back) and press what the driver says of it: earlier (E), later (L), good (K); or let the driver hear the calls (F4, the driver&apos;s ear).</source>
        <translation>Der Fahrer hat noch nichts gesagt. Weiter: einen Eintrag eines Durchgangs wählen (U geht zurück) und drücken, was der Fahrer dazu sagt: früher (E), später (L), gut (K); oder den Fahrer die Ansagen hören lassen (F4, das Ohr des Fahrers).</translation>
    </message>
    <message>
        <source>Some of what was said contradicts itself: ask the driver before you take such a lead.</source>
        <translation>Manches Gesagte widerspricht sich: fragen Sie den Fahrer, bevor Sie einen solchen Vorlauf nehmen.</translation>
    </message>
    <message>
        <source>From what the driver said. Next: take a lead (T); the plan follows at once, Ctrl+Z takes it back.</source>
        <translation>Aus dem, was der Fahrer gesagt hat. Weiter: einen Vorlauf nehmen (T); der Plan folgt sofort, Strg+Z nimmt es zurück.</translation>
    </message>
    <message>
        <source>The reader, from %1: %2 syllables a second, at most %3; a breath of %4 s; a note ends within %5 s of the plan two times in three.</source>
        <translation>Der Leser, aus %1: %2 Silben je Sekunde, höchstens %3; ein Atemzug von %4 s; ein Eintrag endet in zwei von drei Fällen auf %5 s nach Plan.</translation>
    </message>
    <message numerus="yes">
        <source>%n own full take(s)</source>
        <translation>
            <numerusform>%n eigenen ganzen Durchgang</numerusform>
            <numerusform>%n eigenen ganzen Durchgängen</numerusform>
        </translation>
    </message>
    <message>
        <source>The reader is measured from own takes of the whole stage; there is none yet.</source>
        <translation>Der Leser wird aus eigenen Durchgängen der ganzen Prüfung gemessen; noch gibt es keinen.</translation>
    </message>
    <message>
        <source>Take the driver&apos;s lead for %1</source>
        <translation>Den Vorlauf des Fahrers für %1 nehmen</translation>
    </message>
    <message>
        <source>The driver has said nothing of %1 yet.</source>
        <translation>Der Fahrer hat zu %1 noch nichts gesagt.</translation>
    </message>
    <message>
        <source>Take the driver&apos;s leads</source>
        <translation>Die Vorläufe des Fahrers nehmen</translation>
    </message>
    <message>
        <source>Take the reader as the takes show it</source>
        <translation>Den Leser nehmen, wie die Durchgänge ihn zeigen</translation>
    </message>
    <message>
        <source>As read by %1</source>
        <translation>Wie von %1 gelesen</translation>
    </message>
    <message>
        <source>Kept as the driver “%1”: choose it in Plan (F3).</source>
        <translation>Als der Fahrer „%1“ behalten: wählen Sie ihn in Plan (F3).</translation>
    </message>
</context>
<context>
    <name>brumefall::app::UnderstoodModel</name>
    <message>
        <source>%1 m</source>
        <translation>%1 m</translation>
    </message>
</context>
<context>
    <name>brumefall::app::VerdictModel</name>
    <message>
        <source>misread</source>
        <translation>falsch gelesen</translation>
    </message>
    <message>
        <source>said “%1” for “%2”</source>
        <translation>sagte „%1“ statt „%2“</translation>
    </message>
    <message>
        <source>perhaps “%1” for “%2”</source>
        <translation>vielleicht „%1“ statt „%2“</translation>
    </message>
    <message>
        <source>driver: %1</source>
        <translation>Fahrer: %1</translation>
    </message>
    <message>
        <source>#</source>
        <translation>#</translation>
    </message>
    <message>
        <source>early / late</source>
        <translation>früh / spät</translation>
    </message>
    <message>
        <source>note</source>
        <translation>Eintrag</translation>
    </message>
    <message>
        <source>what happened</source>
        <translation>was geschah</translation>
    </message>
    <message>
        <source>why</source>
        <translation>warum</translation>
    </message>
    <message>
        <source>ahead</source>
        <translation>vor</translation>
    </message>
    <message>
        <source>in the other</source>
        <translation>im anderen</translation>
    </message>
    <message>
        <source>besides</source>
        <translation>außerdem</translation>
    </message>
</context>
<context>
    <name>brumefall::app::VideoView</name>
    <message>
        <source>No video here.</source>
        <translation>Hier kein Video.</translation>
    </message>
    <message>
        <source>Onboard video</source>
        <translation>Video aus dem Auto</translation>
    </message>
</context>
<context>
    <name>brumefall::app::WaveView</name>
    <message>
        <source>Sound of the pass, with its marks</source>
        <translation>Ton der Fahrt mit ihren Marken</translation>
    </message>
    <message>
        <source>The sound nearer</source>
        <translation>Den Ton näher</translation>
    </message>
    <message>
        <source>The sound farther away</source>
        <translation>Den Ton ferner</translation>
    </message>
    <message>
        <source>+ − zoom, drag a mark</source>
        <translation>+ − vergrößern, eine Marke ziehen</translation>
    </message>
</context>
<context>
    <name>brumefall::app::WhatIfPanel</name>
    <message>
        <source>What if</source>
        <translation>Was wäre wenn</translation>
    </message>
    <message>
        <source>Calls that would move</source>
        <translation>Ansagen, die sich verschöben</translation>
    </message>
    <message>
        <source>the road is wet</source>
        <translation>die Straße ist nass</translation>
    </message>
    <message>
        <source>the reader is a tenth slower</source>
        <translation>der Leser ist ein Zehntel langsamer</translation>
    </message>
    <message>
        <source>the driver wants it half a second sooner</source>
        <translation>der Fahrer will es eine halbe Sekunde früher</translation>
    </message>
    <message>
        <source>at the pace of “%1”</source>
        <translation>mit dem Tempo von „%1“</translation>
    </message>
    <message>
        <source>driven by %1</source>
        <translation>gefahren von %1</translation>
    </message>
    <message>
        <source>Note %1, %2 s %3: %4</source>
        <translation>Eintrag %1, %2 s %3: %4</translation>
    </message>
    <message>
        <source>sooner</source>
        <translation>früher</translation>
    </message>
    <message>
        <source>later</source>
        <translation>später</translation>
    </message>
    <message>
        <source>%1 of %2 calls would move by more than half a second; %3 notes would come too late. The dashed strips are where the calls would be.</source>
        <translation>%1 von %2 Ansagen verschöben sich um mehr als eine halbe Sekunde; %3 Einträge kämen zu spät. Die gestrichelten Streifen sind, wo die Ansagen wären.</translation>
    </message>
</context>
<context>
    <name>brumefall::media::Microphone</name>
    <message>
        <source>No microphone was found. Plug one in, or choose the simulated reader.</source>
        <translation>Kein Mikrofon wurde gefunden. Stecken Sie eines an, oder wählen Sie den simulierten Leser.</translation>
    </message>
    <message>
        <source>The microphone stopped. What was recorded so far is kept.</source>
        <translation>Das Mikrofon hat aufgehört. Was bis dahin aufgenommen ist, bleibt.</translation>
    </message>
    <message>
        <source>The microphone could not be opened.</source>
        <translation>Das Mikrofon ließ sich nicht öffnen.</translation>
    </message>
    <message>
        <source>Microphone</source>
        <translation>Mikrofon</translation>
    </message>
</context>
<context>
    <name>brumefall::media::Player</name>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>The video is not there: %1</source>
        <translation>Das Video ist nicht da: %1</translation>
    </message>
    <message>
        <source>The guide voice could not be added.</source>
        <translation>Die Führungsstimme ließ sich nicht hinzufügen.</translation>
    </message>
    <message>
        <source>%1 cannot be played: %2</source>
        <translation>%1 lässt sich nicht abspielen: %2</translation>
    </message>
</context>
<context>
    <name>brumefall::pages::Book</name>
    <message>
        <source>turn: %1 s</source>
        <translation>wenden: %1 s</translation>
    </message>
    <message>
        <source>, in a squeeze</source>
        <translation>, im Engpass</translation>
    </message>
    <message>
        <source>, the tightest</source>
        <translation>, am knappsten</translation>
    </message>
    <message>
        <source>page %1 of %2</source>
        <translation>Seite %1 von %2</translation>
    </message>
    <message>
        <source>Verify on the recce. The driver, the marshals and the officials come before these notes.</source>
        <translation>Bei der Besichtigung prüfen. Fahrer, Streckenposten und Veranstalter gehen diesem Aufschrieb vor.</translation>
    </message>
</context>
<context>
    <name>captions</name>
    <message>
        <source>not a time: %1</source>
        <translation>keine Zeit: %1</translation>
    </message>
    <message>
        <source>no time stamp here: captions begin with one, as in [0:12] left four</source>
        <translation>hier steht keine Zeit: Untertitel beginnen mit einer, wie in [0:12] left four</translation>
    </message>
    <message>
        <source>more than %1 captions; is this the file you meant?</source>
        <translation>mehr als %1 Untertitel; ist das die gemeinte Datei?</translation>
    </message>
    <message>
        <source>no captions in this file</source>
        <translation>in dieser Datei sind keine Untertitel</translation>
    </message>
</context>
<context>
    <name>car</name>
    <message>
        <source>four-wheel drive</source>
        <translation>Allradantrieb</translation>
    </message>
    <message>
        <source>front-wheel drive, small</source>
        <translation>Frontantrieb, schwach</translation>
    </message>
    <message>
        <source>front-wheel drive, strong</source>
        <translation>Frontantrieb, stark</translation>
    </message>
    <message>
        <source>rear-wheel drive</source>
        <translation>Heckantrieb</translation>
    </message>
    <message>
        <source>historic, rear-wheel drive</source>
        <translation>historisch, Heckantrieb</translation>
    </message>
</context>
<context>
    <name>cause</name>
    <message>
        <source>%1 notes in a row were not said: the place was lost</source>
        <translation>%1 Einträge hintereinander wurden nicht gesagt: die Stelle war verloren</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>ausgelassen</translation>
    </message>
    <message>
        <source>the plan has it %1 s late already</source>
        <translation>schon der Plan hat ihn %1 s zu spät</translation>
    </message>
    <message>
        <source>the plan has it %1 s early already</source>
        <translation>schon der Plan hat ihn %1 s zu früh</translation>
    </message>
    <message>
        <source>begun %1 s sooner than planned</source>
        <translation>%1 s früher begonnen als geplant</translation>
    </message>
    <message>
        <source>read at %1 syllables a second where %2 were planned</source>
        <translation>mit %1 Silben je Sekunde gelesen, wo %2 geplant waren</translation>
    </message>
    <message>
        <source>stumbled</source>
        <translation>verhaspelt</translation>
    </message>
    <message>
        <source>stumbled on &quot;%1&quot;</source>
        <translation>bei „%1“ verhaspelt</translation>
    </message>
    <message>
        <source>begun twice, at &quot;%1&quot;</source>
        <translation>zweimal angesetzt, bei „%1“</translation>
    </message>
    <message>
        <source>begun %1 s late though there was room</source>
        <translation>%1 s zu spät begonnen, obwohl Zeit war</translation>
    </message>
    <message>
        <source>with its call, begun %1 s late</source>
        <translation>mit seiner Ansage, %1 s zu spät begonnen</translation>
    </message>
    <message>
        <source>said twice</source>
        <translation>zweimal gesagt</translation>
    </message>
    <message>
        <source>begun %1 s late</source>
        <translation>%1 s zu spät begonnen</translation>
    </message>
    <message>
        <source>&quot;%1&quot; before it overran: %2</source>
        <translation>„%1“ davor dauerte zu lang: %2</translation>
    </message>
</context>
<context>
    <name>diary</name>
    <message>
        <source>: %1 take (%2 whole), %3 minutes read; %4 % on time; faults: %5 of the reading, %6 of the plan</source>
        <translation>: %1 Durchgang (%2 ganz), %3 Minuten gelesen; %4 % rechtzeitig; Fehler: %5 der Lesung, %6 des Plans</translation>
    </message>
    <message>
        <source>: %1 takes (%2 whole), %3 minutes read; %4 % on time; faults: %5 of the reading, %6 of the plan</source>
        <translation>: %1 Durchgänge (%2 ganz), %3 Minuten gelesen; %4 % rechtzeitig; Fehler: %5 der Lesung, %6 des Plans</translation>
    </message>
</context>
<context>
    <name>export</name>
    <message>
        <source>verdicts are those of a take: name it</source>
        <translation>Urteile gehören zu einem Durchgang: nennen Sie ihn</translation>
    </message>
    <message>
        <source>there are no notes to print yet</source>
        <translation>noch gibt es keine Einträge zu drucken</translation>
    </message>
    <message>
        <source>the tightest turn is that of page %1: %2 s, in a squeeze</source>
        <translation>am knappsten ist Seite %1 zu wenden: %2 s, im Engpass</translation>
    </message>
    <message>
        <source>the tightest turn is that of page %1: %2 s</source>
        <translation>am knappsten ist Seite %1 zu wenden: %2 s</translation>
    </message>
    <message>
        <source>this needs a pass with a video</source>
        <translation>dafür braucht es eine Fahrt mit einem Video</translation>
    </message>
    <message>
        <source>this take has no recording</source>
        <translation>dieser Durchgang hat keine Aufnahme</translation>
    </message>
    <message>
        <source>this take was read at another pace than the video&apos;s</source>
        <translation>dieser Durchgang wurde mit einem anderen Tempo als dem des Videos gelesen</translation>
    </message>
    <message>
        <source>there are no notes to say yet</source>
        <translation>noch gibt es keine Einträge zu sagen</translation>
    </message>
    <message>
        <source>way points need a log with positions, and a pass laid by one</source>
        <translation>Wegpunkte brauchen eine Aufzeichnung mit Positionen und eine Fahrt, die nach ihr gelegt ist</translation>
    </message>
    <message>
        <source>it has no positions that fit this pass</source>
        <translation>sie hat keine Positionen, die zu dieser Fahrt passen</translation>
    </message>
    <message>
        <source>that is a file of the stage itself; choose another name or folder</source>
        <translation>das ist eine Datei der Prüfung selbst; wählen Sie einen anderen Namen oder Ordner</translation>
    </message>
    <message>
        <source>“%1” is no kind of file that a stage becomes; these are:%2</source>
        <translation>„%1“ ist keine Art von Datei, die aus einer Prüfung wird; das sind:%2</translation>
    </message>
</context>
<context>
    <name>file</name>
    <message>
        <source>%1 is beyond all measure</source>
        <translation>%1 liegt jenseits allen Maßes</translation>
    </message>
    <message>
        <source>it has %1 %2; more than %3 are not read</source>
        <translation>sie hat %1 %2; mehr als %3 werden nicht gelesen</translation>
    </message>
    <message>
        <source>this is a folder, not a file</source>
        <translation>das ist ein Ordner, keine Datei</translation>
    </message>
    <message>
        <source>cannot be read: %1</source>
        <translation>nicht zu lesen: %1</translation>
    </message>
    <message>
        <source>larger than %1 MB: not a file of this kind</source>
        <translation>größer als %1 MB: keine Datei dieser Art</translation>
    </message>
    <message>
        <source>this is UTF-16 text; save it as UTF-8</source>
        <translation>das ist Text in UTF-16; speichern Sie ihn als UTF-8</translation>
    </message>
    <message>
        <source>a zero byte: this is not text</source>
        <translation>ein Nullbyte: das ist kein Text</translation>
    </message>
    <message>
        <source>not UTF-8 text; save the file as UTF-8</source>
        <translation>kein Text in UTF-8; speichern Sie die Datei als UTF-8</translation>
    </message>
    <message>
        <source>cannot be replaced: %1</source>
        <translation>nicht zu ersetzen: %1</translation>
    </message>
    <message>
        <source>cannot be written: %1</source>
        <translation>nicht zu schreiben: %1</translation>
    </message>
    <message>
        <source>nested too deeply</source>
        <translation>zu tief verschachtelt</translation>
    </message>
    <message>
        <source>the file ends in the middle: half written</source>
        <translation>die Datei endet mittendrin: halb geschrieben</translation>
    </message>
    <message>
        <source>not valid JSON here</source>
        <translation>hier kein gültiges JSON</translation>
    </message>
    <message>
        <source>a number beyond all measure</source>
        <translation>eine Zahl jenseits allen Maßes</translation>
    </message>
    <message>
        <source>this is no file, but a folder, a pipe or a device</source>
        <translation>das ist keine Datei, sondern ein Ordner, eine Pipe oder ein Gerät</translation>
    </message>
    <message>
        <source>this is not a %1 file of Brumefall</source>
        <translation>das ist keine Datei der Art „%1“ von Brumefall</translation>
    </message>
    <message>
        <source>made by a newer Brumefall (version %1); it was not opened and not changed</source>
        <translation>von einem neueren Brumefall gemacht (Fassung %1); sie wurde nicht geöffnet und nicht geändert</translation>
    </message>
    <message>
        <source>its format says no version</source>
        <translation>ihr Format nennt keine Fassung</translation>
    </message>
    <message>
        <source>a member is missing or of the wrong type: %1</source>
        <translation>ein Feld fehlt oder hat die falsche Art: %1</translation>
    </message>
    <message>
        <source>there is no such folder</source>
        <translation>einen solchen Ordner gibt es nicht</translation>
    </message>
    <message>
        <source>there is a stage here already</source>
        <translation>hier liegt schon eine Prüfung</translation>
    </message>
    <message>
        <source>it could not be written: %1</source>
        <translation>es ließ sich nicht schreiben: %1</translation>
    </message>
</context>
<context>
    <name>media</name>
    <message>
        <source>nothing in it is a reading of this stage: silence, talk, music, or another stage&apos;s notes</source>
        <translation>nichts darin ist eine Lesung dieser Prüfung: Stille, Gerede, Musik oder der Aufschrieb einer anderen</translation>
    </message>
    <message>
        <source>go is at %1 s of it</source>
        <translation>der Start ist bei %1 s darin</translation>
    </message>
    <message>
        <source>laid to the onboard by the sound: go is at %1 s of it</source>
        <translation>nach dem Ton ans Onboard-Video gelegt: der Start ist bei %1 s darin</translation>
    </message>
    <message>
        <source>laid to the plan by its own calls (go at %1 s of it): how early or late all of it was is not known</source>
        <translation>nach ihren eigenen Ansagen an den Plan gelegt (Start bei %1 s darin): wie früh oder spät das Ganze war, ist nicht bekannt</translation>
    </message>
    <message>
        <source>not a video or sound file (%1)</source>
        <translation>keine Video- oder Tondatei (%1)</translation>
    </message>
    <message>
        <source>too long to be laid to another</source>
        <translation>zu lang, um an eine andere gelegt zu werden</translation>
    </message>
    <message>
        <source>it has no sound</source>
        <translation>sie hat keinen Ton</translation>
    </message>
    <message>
        <source>its sound cannot be decoded (%1)</source>
        <translation>ihr Ton lässt sich nicht dekodieren (%1)</translation>
    </message>
    <message>
        <source>its sound has no rate</source>
        <translation>ihr Ton hat keine Abtastrate</translation>
    </message>
    <message>
        <source>its sound has %1 channels at %2 Hz: no recorder makes such</source>
        <translation>ihr Ton hat %1 Kanäle bei %2 Hz: das macht kein Aufnahmegerät</translation>
    </message>
    <message>
        <source>its sound cannot be brought to one channel (%1)</source>
        <translation>ihr Ton lässt sich nicht auf einen Kanal bringen (%1)</translation>
    </message>
    <message>
        <source>the recording cannot be made: %1</source>
        <translation>die Aufnahme lässt sich nicht machen: %1</translation>
    </message>
    <message>
        <source>the recording stopped: %1</source>
        <translation>die Aufnahme brach ab: %1</translation>
    </message>
    <message>
        <source>the speech model is not there; install pocketsphinx-en-us</source>
        <translation>das Sprachmodell fehlt; installieren Sie pocketsphinx-en-us</translation>
    </message>
    <message>
        <source>it cannot be written: %1</source>
        <translation>nicht zu schreiben: %1</translation>
    </message>
    <message>
        <source>stopped; nothing was written</source>
        <translation>angehalten; nichts wurde geschrieben</translation>
    </message>
    <message>
        <source>this system&apos;s FFmpeg cannot write Opus</source>
        <translation>FFmpeg kann auf diesem System kein Opus schreiben</translation>
    </message>
    <message>
        <source>the file is not there</source>
        <translation>die Datei ist nicht da</translation>
    </message>
    <message>
        <source>this is no file, but a folder, a pipe or a device</source>
        <translation>das ist keine Datei, sondern ein Ordner, eine Pipe oder ein Gerät</translation>
    </message>
    <message>
        <source>the voice could not be started; is espeak-ng-data installed?</source>
        <translation>die Stimme ließ sich nicht starten; ist espeak-ng-data installiert?</translation>
    </message>
    <message>
        <source>the recogniser does not take the words of the notes</source>
        <translation>die Spracherkennung nimmt die Wörter des Aufschriebs nicht an</translation>
    </message>
</context>
<context>
    <name>notes</name>
    <message>
        <source>no grade for this corner</source>
        <translation>kein Grad für diese Kurve</translation>
    </message>
    <message>
        <source>this line is longer than 4000 letters; only its beginning was read</source>
        <translation>diese Zeile ist länger als 4000 Buchstaben; nur ihr Anfang wurde gelesen</translation>
    </message>
    <message>
        <source>laps within laps: this one is not repeated</source>
        <translation>Runden in Runden: diese wird nicht wiederholt</translation>
    </message>
    <message>
        <source>how many laps? Write [laps 2]</source>
        <translation>wie viele Runden? Schreiben Sie [laps 2]</translation>
    </message>
    <message>
        <source>[laps] without [end]: repeated to the end of the text</source>
        <translation>[laps] ohne [end]: bis zum Ende des Textes wiederholt</translation>
    </message>
    <message>
        <source>more than 100000 calls; the rest was not read</source>
        <translation>mehr als 100000 Ansagen; der Rest wurde nicht gelesen</translation>
    </message>
    <message>
        <source>“%1” puts the direction first</source>
        <translation>„%1“ setzt die Richtung zuerst</translation>
    </message>
    <message>
        <source>“%1” puts the number first</source>
        <translation>„%1“ setzt die Zahl zuerst</translation>
    </message>
    <message>
        <source>a %1 that tightens to %2: higher is faster</source>
        <translation>eine %1, die zur %2 zumacht: höher ist schneller</translation>
    </message>
    <message>
        <source>a %1 that tightens to %2: higher is tighter</source>
        <translation>eine %1, die zur %2 zumacht: höher ist enger</translation>
    </message>
    <message>
        <source>a %1 that opens to %2: higher is faster</source>
        <translation>eine %1, die zur %2 aufmacht: höher ist schneller</translation>
    </message>
    <message>
        <source>a %1 that opens to %2: higher is tighter</source>
        <translation>eine %1, die zur %2 aufmacht: höher ist enger</translation>
    </message>
    <message>
        <source>the order is set by hand</source>
        <translation>die Reihenfolge ist von Hand gesetzt</translation>
    </message>
    <message>
        <source>the scale is set by hand</source>
        <translation>die Skala ist von Hand gesetzt</translation>
    </message>
    <message>
        <source>left or right?</source>
        <translation>links oder rechts?</translation>
    </message>
    <message>
        <source>the text is longer than 8 MB; only its beginning was read</source>
        <translation>der Text ist länger als 8 MB; nur sein Anfang wurde gelesen</translation>
    </message>
</context>
<context>
    <name>package</name>
    <message>
        <source>stopped; nothing was written</source>
        <translation>angehalten; nichts wurde geschrieben</translation>
    </message>
    <message>
        <source>it cannot be read</source>
        <translation>nicht zu lesen</translation>
    </message>
    <message>
        <source>cannot be written: %1</source>
        <translation>nicht zu schreiben: %1</translation>
    </message>
    <message>
        <source>there is no such file</source>
        <translation>eine solche Datei gibt es nicht</translation>
    </message>
    <message>
        <source>this is no package of a stage: %1</source>
        <translation>das ist kein Paket einer Prüfung: %1</translation>
    </message>
    <message>
        <source>broken: %1</source>
        <translation>kaputt: %1</translation>
    </message>
    <message>
        <source>it holds a file that leads out of its folder: “%1”</source>
        <translation>es enthält eine Datei, die aus seinem Ordner hinausführt: „%1“</translation>
    </message>
    <message>
        <source>it holds a link or a device: “%1”</source>
        <translation>es enthält eine Verknüpfung oder ein Gerät: „%1“</translation>
    </message>
    <message>
        <source>it holds more than %1 files: no stage does</source>
        <translation>es enthält mehr als %1 Dateien: das tut keine Prüfung</translation>
    </message>
    <message>
        <source>it holds “%1” twice, or as file and folder</source>
        <translation>es enthält „%1“ zweimal, oder als Datei und Ordner</translation>
    </message>
    <message>
        <source>cannot be written: the disk is full, or it may not be written to</source>
        <translation>nicht zu schreiben: der Datenträger ist voll, oder er ist schreibgeschützt</translation>
    </message>
    <message>
        <source>stopped; nothing was unpacked</source>
        <translation>angehalten; nichts wurde ausgepackt</translation>
    </message>
    <message>
        <source>broken at “%1”: %2</source>
        <translation>kaputt bei „%1“: %2</translation>
    </message>
    <message>
        <source>it swells beyond what a stage can be, at “%1”; it was not unpacked</source>
        <translation>es quillt bei „%1“ über alles hinaus, was eine Prüfung sein kann; es wurde nicht ausgepackt</translation>
    </message>
    <message>
        <source>the video of %1 lies elsewhere and is not in it: %2</source>
        <translation>das Video von %1 liegt anderswo und ist nicht darin: %2</translation>
    </message>
    <message>
        <source>there is no stage in it</source>
        <translation>darin ist keine Prüfung</translation>
    </message>
</context>
<context>
    <name>places</name>
    <message>
        <source>That is before go</source>
        <translation>Das ist vor dem Start</translation>
    </message>
    <message>
        <source>Note %1, before it on the road, is marked later than this</source>
        <translation>Eintrag %1, auf der Straße davor, ist später markiert als dieser</translation>
    </message>
    <message>
        <source>Note %1, after it on the road, is marked earlier than this</source>
        <translation>Eintrag %1, auf der Straße danach, ist früher markiert als dieser</translation>
    </message>
    <message>
        <source>The road around it says %1 s sooner, and the notes beside it would be squeezed</source>
        <translation>Die Straße ringsum sagt %1 s früher, und die Einträge daneben würden gedrängt</translation>
    </message>
    <message>
        <source>The road around it says %1 s later, and the notes beside it would be squeezed</source>
        <translation>Die Straße ringsum sagt %1 s später, und die Einträge daneben würden gedrängt</translation>
    </message>
    <message>
        <source>from the mark of note %1 to that of note %2 the car would drive %3 km/h; is one of them misplaced?</source>
        <translation>von der Marke von Eintrag %1 zu der von Eintrag %2 führe das Auto %3 km/h; ist eine falsch gesetzt?</translation>
    </message>
    <message>
        <source>the mark of note %1 is before the mark of note %2; it was left out</source>
        <translation>die Marke von Eintrag %1 liegt vor der von Eintrag %2; sie wurde ausgelassen</translation>
    </message>
    <message>
        <source>the mark of note %1 is after the mark of note %2; it was left out</source>
        <translation>die Marke von Eintrag %1 liegt nach der von Eintrag %2; sie wurde ausgelassen</translation>
    </message>
    <message>
        <source>its trace never goes forward; the pace is taken from the marks</source>
        <translation>ihre Spur geht nie vorwärts; das Tempo kommt aus den Marken</translation>
    </message>
    <message>
        <source>no tyre holds the road in the target time; the rehearsal pace was stretched to it all the same</source>
        <translation>in der Zielzeit hält kein Reifen die Straße; das Übungstempo wurde trotzdem darauf gestreckt</translation>
    </message>
</context>
<context>
    <name>plan</name>
    <message>
        <source>how tidy</source>
        <translation>wie sauber</translation>
    </message>
    <message>
        <source>uphill or downhill</source>
        <translation>bergauf oder bergab</translation>
    </message>
    <message>
        <source>how long it is</source>
        <translation>wie lang sie ist</translation>
    </message>
    <message>
        <source>a landmark</source>
        <translation>ein Merkzeichen</translation>
    </message>
    <message>
        <source>1 note</source>
        <translation>1 Eintrag</translation>
    </message>
    <message>
        <source>%1 notes</source>
        <translation>%1 Einträge</translation>
    </message>
    <message>
        <source>: saves %1</source>
        <translation>: spart %1</translation>
    </message>
    <message>
        <source>%1 in %2 of road; at your rate they take %3</source>
        <translation>%1 auf %2 Straße; in Ihrem Tempo dauern sie %3</translation>
    </message>
    <message>
        <source>%1 in one breath: begun in time for the first, the last would have to be held too long</source>
        <translation>%1 in einem Atemzug: für den ersten rechtzeitig begonnen, wäre der letzte zu lang zu behalten</translation>
    </message>
    <message>
        <source>Start up to %1 sooner; the driver then holds up to %2</source>
        <translation>Bis zu %1 früher beginnen; der Fahrer behält dann bis zu %2</translation>
    </message>
    <message>
        <source>Say “%1” in one breath with the call before</source>
        <translation>„%1“ in einem Atemzug mit der Ansage davor sagen</translation>
    </message>
    <message>
        <source>Breathe before “%1”</source>
        <translation>Vor „%1“ atmen</translation>
    </message>
    <message>
        <source>a distance</source>
        <translation>eine Entfernung</translation>
    </message>
    <message>
        <source>Leave out %1</source>
        <translation>%1 weglassen</translation>
    </message>
    <message>
        <source>Read this run at %1 syllables a second</source>
        <translation>Diese Folge mit %1 Silben je Sekunde lesen</translation>
    </message>
    <message>
        <source>a rate</source>
        <translation>ein Tempo</translation>
    </message>
    <message>
        <source>syllables a second</source>
        <translation>Silben je Sekunde</translation>
    </message>
    <message>
        <source>a fastest rate</source>
        <translation>ein höchstes Tempo</translation>
    </message>
    <message>
        <source>a breath</source>
        <translation>ein Atemzug</translation>
    </message>
    <message>
        <source>s</source>
        <translation>s</translation>
    </message>
    <message>
        <source>a longest run</source>
        <translation>eine längste Folge</translation>
    </message>
    <message>
        <source>a spread</source>
        <translation>eine Streuung</translation>
    </message>
    <message>
        <source>a reaction</source>
        <translation>eine Reaktion</translation>
    </message>
    <message>
        <source>a lead for fast corners</source>
        <translation>ein Vorlauf für schnelle Kurven</translation>
    </message>
    <message>
        <source>a lead for medium corners</source>
        <translation>ein Vorlauf für mittlere Kurven</translation>
    </message>
    <message>
        <source>a lead for slow corners</source>
        <translation>ein Vorlauf für langsame Kurven</translation>
    </message>
    <message>
        <source>a lead for hazards</source>
        <translation>ein Vorlauf für Gefahren</translation>
    </message>
    <message>
        <source>an extra lead for a warning</source>
        <translation>ein zusätzlicher Vorlauf bei Warnung</translation>
    </message>
    <message>
        <source>an extra lead for speed</source>
        <translation>ein zusätzlicher Vorlauf bei Tempo</translation>
    </message>
    <message>
        <source>a least lead</source>
        <translation>ein kleinster Vorlauf</translation>
    </message>
    <message>
        <source>m</source>
        <translation>m</translation>
    </message>
    <message>
        <source>a braking</source>
        <translation>eine Bremsung</translation>
    </message>
    <message>
        <source>m/s²</source>
        <translation>m/s²</translation>
    </message>
    <message>
        <source>a weight of late</source>
        <translation>ein Gewicht von „zu spät“</translation>
    </message>
    <message>
        <source>times early</source>
        <translation>mal „zu früh“</translation>
    </message>
    <message>
        <source>%1 of %2 %3 cannot be meant; planned with %4</source>
        <translation>%1 von %2 %3 kann nicht gemeint sein; geplant mit %4</translation>
    </message>
    <message>
        <source>a driver who holds %1 notes cannot be meant; planned with %2</source>
        <translation>ein Fahrer, der %1 Einträge behält, kann nicht gemeint sein; geplant mit %2</translation>
    </message>
</context>
<context>
    <name>rhythm</name>
    <message>
        <source>place lost after &quot;%1&quot;, found again %2 s later at &quot;%3&quot;: %4 notes not said</source>
        <translation>Stelle verloren nach „%1“, %2 s später wiedergefunden bei „%3“: %4 Einträge nicht gesagt</translation>
    </message>
    <message>
        <source>from &quot;%1&quot; on, the reading falls behind by %2 s a minute</source>
        <translation>von „%1“ an fällt die Lesung um %2 s je Minute zurück</translation>
    </message>
    <message>
        <source>from &quot;%1&quot; on, the reading runs ahead by %2 s a minute</source>
        <translation>von „%1“ an läuft die Lesung um %2 s je Minute voraus</translation>
    </message>
    <message>
        <source>longest without a breath: %1 s, from &quot;%2&quot;</source>
        <translation>längstens ohne Atem: %1 s, von „%2“ an</translation>
    </message>
    <message>
        <source>hesitated %1 s in &quot;%2&quot;</source>
        <translation>%1 s gestockt in „%2“</translation>
    </message>
    <message>
        <source>hesitated %1 s in &quot;%2&quot; before &quot;%3&quot;</source>
        <translation>%1 s gestockt in „%2“ vor „%3“</translation>
    </message>
    <message>
        <source>fastest call: %1 syllables a second, %2 planned</source>
        <translation>schnellste Ansage: %1 Silben je Sekunde, %2 geplant</translation>
    </message>
    <message>
        <source>least even at &quot;%1&quot;: %2 s after the note before, %3 s planned</source>
        <translation>am ungleichmäßigsten bei „%1“: %2 s nach dem Eintrag davor, %3 s geplant</translation>
    </message>
</context>
<context>
    <name>style</name>
    <message>
        <source>As the notes show it</source>
        <translation>Wie die Einträge es zeigen</translation>
    </message>
    <message>
        <source>Direction first, higher is faster</source>
        <translation>Richtung zuerst, höher ist schneller</translation>
    </message>
    <message>
        <source>Number first, higher is faster</source>
        <translation>Zahl zuerst, höher ist schneller</translation>
    </message>
    <message>
        <source>Direction first, lower is faster</source>
        <translation>Richtung zuerst, tiefer ist schneller</translation>
    </message>
    <message>
        <source>Number first, lower is faster</source>
        <translation>Zahl zuerst, tiefer ist schneller</translation>
    </message>
    <message>
        <source>Words for grades, no numbers</source>
        <translation>Wörter für Grade, keine Zahlen</translation>
    </message>
</context>
<context>
    <name>surface</name>
    <message>
        <source>gravel</source>
        <translation>Schotter</translation>
    </message>
    <message>
        <source>tarmac</source>
        <translation>Asphalt</translation>
    </message>
    <message>
        <source>concrete</source>
        <translation>Beton</translation>
    </message>
    <message>
        <source>cobbles</source>
        <translation>Kopfsteinpflaster</translation>
    </message>
    <message>
        <source>mud</source>
        <translation>Schlamm</translation>
    </message>
    <message>
        <source>snow</source>
        <translation>Schnee</translation>
    </message>
    <message>
        <source>ice, studded tyres</source>
        <translation>Eis, Spikereifen</translation>
    </message>
</context>
<context>
    <name>tonight</name>
    <message>
        <source>today</source>
        <translation>heute</translation>
    </message>
    <message>
        <source>yesterday</source>
        <translation>gestern</translation>
    </message>
    <message>
        <source>%1 days ago</source>
        <translation>vor %1 Tagen</translation>
    </message>
    <message>
        <source>%1 of 100 notes go wrong here, most of all &quot;%2&quot;; last read %3</source>
        <translation>%1 von 100 misslingen hier, vor allem „%2“; zuletzt gelesen %3</translation>
    </message>
    <message>
        <source>never read yet</source>
        <translation>noch nie gelesen</translation>
    </message>
</context>
<context>
    <name>track</name>
    <message>
        <source>more than 500000 rows; cut the log to the stage</source>
        <translation>mehr als 500000 Zeilen; schneiden Sie die Aufzeichnung auf die Prüfung zu</translation>
    </message>
    <message>
        <source>the log is empty</source>
        <translation>die Aufzeichnung ist leer</translation>
    </message>
    <message>
        <source>only one column: a log needs time and distance, speed or position</source>
        <translation>nur eine Spalte: eine Aufzeichnung braucht Zeit und Strecke, Geschwindigkeit oder Position</translation>
    </message>
    <message>
        <source>a heading, but no rows under it</source>
        <translation>ein Kopf, aber keine Zeilen darunter</translation>
    </message>
    <message>
        <source>no column tells the time</source>
        <translation>keine Spalte sagt die Zeit</translation>
    </message>
    <message>
        <source>no column tells distance, speed or position</source>
        <translation>keine Spalte sagt Strecke, Geschwindigkeit oder Position</translation>
    </message>
    <message>
        <source>not one row has a time that can be read</source>
        <translation>keine einzige Zeile hat eine lesbare Zeit</translation>
    </message>
    <message>
        <source>not used</source>
        <translation>ungenutzt</translation>
    </message>
    <message>
        <source>time, s</source>
        <translation>Zeit, s</translation>
    </message>
    <message>
        <source>clock time</source>
        <translation>Uhrzeit</translation>
    </message>
    <message>
        <source>distance, m</source>
        <translation>Strecke, m</translation>
    </message>
    <message>
        <source>distance, km</source>
        <translation>Strecke, km</translation>
    </message>
    <message>
        <source>speed, km/h</source>
        <translation>Geschwindigkeit, km/h</translation>
    </message>
    <message>
        <source>speed, m/s</source>
        <translation>Geschwindigkeit, m/s</translation>
    </message>
    <message>
        <source>latitude</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>longitude</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>the log has no points</source>
        <translation>die Aufzeichnung hat keine Punkte</translation>
    </message>
    <message>
        <source>the log has neither distance, nor speed, nor positions</source>
        <translation>die Aufzeichnung hat weder Strecke noch Geschwindigkeit noch Positionen</translation>
    </message>
    <message>
        <source>nothing in the log moves faster than a walk</source>
        <translation>nichts in der Aufzeichnung bewegt sich schneller als im Schritt</translation>
    </message>
    <message>
        <source>the log goes nowhere</source>
        <translation>die Aufzeichnung führt nirgends hin</translation>
    </message>
    <message>
        <source>%1 points whose time does not go forward were left out</source>
        <translation>%1 Punkte, deren Zeit nicht vorwärtsgeht, wurden ausgelassen</translation>
    </message>
    <message>
        <source>%1 points that jump farther than a car drives were left out</source>
        <translation>%1 Punkte, die weiter springen, als ein Auto fährt, wurden ausgelassen</translation>
    </message>
    <message>
        <source>%1 gaps were bridged, the longest of %2 s</source>
        <translation>%1 Lücken wurden überbrückt, die längste von %2 s</translation>
    </message>
    <message>
        <source>the car stands for %1 s on the way; the distance is held there</source>
        <translation>das Auto steht unterwegs %1 s; die Strecke bleibt dort stehen</translation>
    </message>
    <message>
        <source>two marks or more are needed to lay the log to the video by marks</source>
        <translation>zwei Marken oder mehr sind nötig, um die Aufzeichnung nach Marken ans Video zu legen</translation>
    </message>
    <message>
        <source>the log ends before go</source>
        <translation>die Aufzeichnung endet vor dem Start</translation>
    </message>
    <message>
        <source>not GPX: it begins with &lt;%1&gt;</source>
        <translation>kein GPX: es beginnt mit &lt;%1&gt;</translation>
    </message>
    <message>
        <source>its points have no time, so no pace can be taken from them</source>
        <translation>ihre Punkte haben keine Zeit, also lässt sich kein Tempo daraus nehmen</translation>
    </message>
    <message>
        <source>no track points in this file</source>
        <translation>in dieser Datei sind keine Trackpunkte</translation>
    </message>
    <message>
        <source>more than 500000 points; cut the log to the stage</source>
        <translation>mehr als 500000 Punkte; schneiden Sie die Aufzeichnung auf die Prüfung zu</translation>
    </message>
    <message>
        <source>a point without a latitude and longitude</source>
        <translation>ein Punkt ohne Breite und Länge</translation>
    </message>
</context>
<context>
    <name>verdict</name>
    <message>
        <source>not in this take</source>
        <translation>nicht in diesem Durchgang</translation>
    </message>
    <message>
        <source>said &quot;%1&quot;, the note says &quot;%2&quot;</source>
        <translation>„%1“ gesagt, der Eintrag sagt „%2“</translation>
    </message>
    <message>
        <source>missed</source>
        <translation>nicht gesagt</translation>
    </message>
    <message>
        <source>%1 s late, %2 m past its action point</source>
        <translation>%1 s zu spät, %2 m nach seinem Handlungspunkt</translation>
    </message>
    <message>
        <source>%1 s late, %2 m before</source>
        <translation>%1 s zu spät, %2 m davor</translation>
    </message>
    <message>
        <source>%1 s early, %2 notes ahead</source>
        <translation>%1 s zu früh, %2 Einträge voraus</translation>
    </message>
    <message>
        <source>on time, %1 s and %2 m before</source>
        <translation>rechtzeitig, %1 s und %2 m davor</translation>
    </message>
    <message>
        <source>%1 s early, one note ahead</source>
        <translation>%1 s zu früh, einen Eintrag voraus</translation>
    </message>
</context>
</TS>
