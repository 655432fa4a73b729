#include "notes/notes_workspace.h"

#include "document/media_trust.h"
#include "media/condense.h"
#include "media/listener.h"
#include "media/pronunciations.h"
#include "notes/captions_review.h"
#include "notes/dictation_session.h"
#include "notes/edit.h"
#include "notes/find_bar.h"
#include "notes/lexicon.h"
#include "notes/printer.h"
#include "notes/style_panel.h"
#include "notes/text.h"
#include "notes/understood_list.h"
#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/side_tabs.h"
#include "widgets/when_seen.h"

#include <QCoreApplication>
#include <QFileDialog>
#include <QFileInfo>
#include <QListView>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>

#include <algorithm>
#include <map>

namespace brumefall::app {
namespace {

/// The words to offer while typing: those of the notes themselves first, by how often they stand there, then
/// the crew's own, then the language.
QStringList vocabularyOf(const stage::Stage& stage)
{
    std::map<std::string, int> used;
    for (const std::string& word : notes::splitWords(notes::lowerCase(stage.text))) {
        const bool letters = std::all_of(
            word.begin(), word.end(), [](unsigned char c) { return std::isalpha(c) != 0 || c == '\''; });
        if (letters && word.size() > 2) {
            ++used[word];
        }
    }
    std::vector<std::pair<std::string, int>> ranked(used.begin(), used.end());
    std::stable_sort(
        ranked.begin(), ranked.end(), [](const auto& a, const auto& b) { return a.second > b.second; });
    const auto& known = notes::knownWords();
    QStringList words;
    for (const auto& [word, count] : ranked) {
        if (std::binary_search(known.begin(), known.end(), word) || stage.style.words.contains(word)) {
            words << QString::fromStdString(word);
        }
    }
    for (const auto& [own, meaning] : stage.style.words) {
        words << QString::fromStdString(own);
    }
    for (const std::string& word : known) {
        words << QString::fromStdString(word);
    }
    words.removeDuplicates();
    return words;
}

QString sayUnknown(const notes::Unknown& item)
{
    const QString text = QString::fromStdString(item.text);
    const QString suggestion = QString::fromStdString(item.suggestion);
    if (suggestion.isEmpty()) {
        return NotesWorkspace::tr("Line %1: \u201c%2\u201d is kept but not understood.")
            .arg(item.line)
            .arg(text);
    }
    if (suggestion.endsWith(QLatin1Char('?'))) {
        return NotesWorkspace::tr("Line %1: \u201c%2\u201d: %3").arg(item.line).arg(text, suggestion);
    }
    return NotesWorkspace::tr("Line %1: \u201c%2\u201d is not understood. Did you mean \u201c%3\u201d?")
        .arg(item.line)
        .arg(text, suggestion);
}

} // namespace

NotesWorkspace::NotesWorkspace(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , pages_(new QStackedWidget)
    , editor_(new NotesEditor)
    , find_(new FindBar(*editor_))
    , list_(new QListView)
    , style_(new QLabel)
    , unknown_(new QLabel)
    , side_pages_(new QStackedWidget)
    , sides_(new SideTabs(side_pages_))
    , printed_(new QPlainTextEdit)
    , model_(new UnderstoodModel(document, this))
    , captions_(new CaptionsReview(document))
    , dictation_(new DictationSession(document, this))
{
    setObjectName(QStringLiteral("notesWorkspace"));
    auto* splitter = new QSplitter;
    splitter->addWidget(makeTextSide());
    splitter->addWidget(makeUnderstandingSide());
    splitter->setSizes({560, 600});
    splitter->setChildrenCollapsible(false);
    splitter->setStretchFactor(0, 1);
    splitter->setStretchFactor(1, 1);
    pages_->addWidget(splitter);
    pages_->addWidget(captions_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(pages_);
    beginAt(this, editor_);

    pause_.setSingleShot(true);
    pause_.setInterval(120);
    connect(editor_, &QPlainTextEdit::textChanged, this, [this] {
        if (!showing_ && !pause_.isActive()) {
            pause_.start();
        }
    });
    connect(&document_, &Document::opened, this, [this] { // what is heard belongs to the stage that was open
        listening_.cancel();
        is_listening_ = false;
    });
    connect(&document_, &Document::flushWanted, this, [this] {
        if (pause_.isActive()) {
            takeText();
        }
    });
    connect(&pause_, &QTimer::timeout, this, &NotesWorkspace::takeText);
    connect(editor_, &QPlainTextEdit::cursorPositionChanged, this, [this] {
        const int row = model_->firstRowOfLine(editor_->cursorLine());
        if (row >= 0) {
            list_->setCurrentIndex(model_->index(row));
        }
    });
    connect(editor_, &NotesEditor::splitWanted, this, &NotesWorkspace::splitCall);
    connect(editor_, &NotesEditor::joinWanted, this, &NotesWorkspace::joinCalls);
    connect(editor_, &NotesEditor::undoWanted, this, [this] {
        takeText();
        document_.undoStack().undo();
    });
    connect(editor_, &NotesEditor::redoWanted, this, [this] { document_.undoStack().redo(); });
    const auto open = [this](const QModelIndex& index) {
        document_.setCurrentNote(index.data(Qt::UserRole).toString());
        editor_->goTo(model_->lineOf(index.row()), 0);
    };
    connect(list_, &QListView::clicked, this, open);
    connect(list_, &QListView::activated, this, [this, open](const QModelIndex& index) {
        open(index);
        editor_->setFocus(); // Enter goes to where it is written
    });
    connect(find_, &FindBar::replaceAllWanted, this, [this](const QString& what, const QString& by) {
        takeText();
        QString text = editor_->toPlainText();
        text.replace(what, by, Qt::CaseInsensitive);
        document_.setNotesText(text, tr("Replace \u201c%1\u201d by \u201c%2\u201d").arg(what, by));
    });
    connect(find_, &FindBar::renumberWanted, this,
        [this](const std::map<int, int>& becomes, const QString& name) {
            takeText();
            const auto [first, last] = editor_->selectedLines();
            document_.setNotesText(
                QString::fromStdString(notes::renumberGrades(document_.stage().text, first, last, becomes,
                    document_.stage().style, document_.prepared().notes.style.order)),
                name);
        });
    connect(captions_, &CaptionsReview::heardTaken, this, &NotesWorkspace::heardTaken);
    connect(captions_, &CaptionsReview::finished, this, [this] {
        pages_->setCurrentIndex(0);
        editor_->setFocus();
    });
    connect(&document_, &Document::notesChanged, this, &NotesWorkspace::showText);
    auto* when_seen = new WhenSeen(this, [this] { showUnderstanding(); });
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
    connect(&document_, &Document::opened, this, [this] {
        pages_->setCurrentIndex(0);
        problem_ = 0;
        showText();
        editor_->goTo(1, 0);
    });
}

QWidget* NotesWorkspace::makeTextSide()
{
    editor_->setObjectName(QStringLiteral("notesEditor"));
    editor_->setAccessibleName(tr("Notes, one call a line"));
    editor_->setPlaceholderText(tr("Write or paste the notes here, one call a line:\n\nright four long into "
                                   "left three 60\ncaution square left 100"));
    auto* left = new QWidget;
    auto* layout = new QVBoxLayout(left);
    layout->setContentsMargins(10, 8, 5, 8);
    auto* head = new QHBoxLayout;
    head->addWidget(heading(tr("Written")));
    head->addStretch();
    head->addWidget(new QLabel(tr("from")));
    const auto from = [&](const QString& text, const char* name, Qt::Key key, auto action) {
        auto* button = addButton(head, text, name, action);
        makeCompact(button);
        bindButton(button, QKeyCombination(Qt::ALT, key));
        return button;
    };
    from(tr("File\u2026"), "importNotes", Qt::Key_F, [this] {
        importFile();
    })->setToolTip(tr("Notes in a file in place of these"));
    from(tr("Captions\u2026"), "importCaptions", Qt::Key_C, [this] {
        importCaptions();
    })->setToolTip(tr("Draft notes from the captions of an onboard"));
    listen_ = from(tr("Sound\u2026"), "importSound", Qt::Key_O, [this] { importSound(); });
    listen_->setToolTip(tr("Draft notes from what is said in a video or a sound"));
    layout->addLayout(head);
    layout->addWidget(editor_, 1);
    layout->addWidget(find_);
    auto* actions = new FlowLayout;
    const auto add = [&](const QString& text, const char* name, QKeyCombination key, auto action) {
        auto* button = addButton(actions, text, name, action);
        makeCompact(button);
        bindButton(button, key);
        return button;
    };
    add(tr("Split"), "splitCall", Qt::CTRL | Qt::Key_Return, [this] { splitCall(); });
    add(tr("Join"), "joinCalls", Qt::CTRL | Qt::Key_J, [this] { joinCalls(); });
    add(tr("Laps"), "repeatLines", Qt::CTRL | Qt::Key_L, [this] {
        repeatLines();
    })->setToolTip(tr("The selected lines are driven twice: change the 2 where it is more."));
    add(tr("Find"), "findButton", Qt::CTRL | Qt::Key_F, [this] { find_->open(); });
    dictate_ = add(tr("Dictate"), "dictate", Qt::ALT | Qt::Key_D, [this] { toggleDictation(); });
    dictate_->setToolTip(tr("Say the notes into the microphone: a line for each breath"));
    connect(dictation_, &DictationSession::onChanged, this,
        [this](bool on) { dictate_->setText(on ? tr("Stop") : tr("Dictate")); });
    connect(
        dictation_, &DictationSession::lineAdded, this, [this] { editor_->goTo(editor_->blockCount(), 0); });
    layout->addLayout(actions);
    return left;
}

QWidget* NotesWorkspace::makeUnderstandingSide()
{
    list_->setObjectName(QStringLiteral("understoodList"));
    list_->setAccessibleName(tr("What was understood"));
    list_->setModel(model_);
    list_->setItemDelegate(new UnderstoodDelegate(document_, this));
    list_->setUniformItemSizes(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    style_->setObjectName(QStringLiteral("styleLine"));
    style_->setWordWrap(true);
    unknown_->setObjectName(QStringLiteral("unknownLine"));
    unknown_->setWordWrap(true);
    unknown_->setTextFormat(Qt::PlainText);
    printed_->setObjectName(QStringLiteral("printedNotes"));
    printed_->setAccessibleName(tr("The notes printed anew"));
    printed_->setReadOnly(true);
    printed_->setStyleSheet(
        QStringLiteral("QPlainTextEdit { font-size: %1px; padding: 6px; }").arg(type::kNotes));

    auto* right = new QWidget;
    auto* layout = new QVBoxLayout(right);
    layout->setContentsMargins(5, 8, 10, 8);
    auto* head = new QHBoxLayout;
    head->addWidget(heading(tr("Understood")));
    head->addSpacing(8);
    head->addWidget(style_, 1);
    layout->addLayout(head);
    layout->addWidget(sides_);

    auto* printed_page = new QWidget;
    auto* printed_layout = new QVBoxLayout(printed_page);
    printed_layout->setContentsMargins(0, 0, 0, 0);
    printed_layout->addWidget(printed_, 1);
    auto* printed_buttons = new QHBoxLayout;
    printed_buttons->addStretch();
    addButton(printed_buttons, tr("Write the notes this way"), "usePrinted", [this] { usePrinted(); });
    printed_layout->addLayout(printed_buttons);
    sides_->add(tr("Meaning"), "sideMeaning", list_);
    sides_->add(tr("Full words"), "sideFullWords", printed_page);
    sides_->add(tr("In short"), "sideInShort", printed_page);
    sides_->add(tr("Our language"), "sideLanguage", scrolled(new StylePanel(document_)));
    connect(sides_, &SideTabs::changed, this, &NotesWorkspace::showPrinted);
    layout->addWidget(side_pages_, 1);

    auto* problem = new QHBoxLayout;
    problem->addWidget(unknown_, 1);
    fix_ = addButton(problem, tr("Fix it"), "fixButton", [this] { fixProblem(); });
    bindButton(fix_, Qt::ALT | Qt::Key_Return);
    next_ = addButton(problem, tr("Next"), "nextProblem", [this] { nextProblem(); });
    bindButton(next_, QKeyCombination(Qt::Key_F8));
    layout->addLayout(problem);
    return right;
}

void NotesWorkspace::showPrinted()
{
    const int side = sides_->chosen();
    if (side != kFullWords && side != kInShort) {
        return;
    }
    const auto& parsed = document_.prepared().notes;
    const auto text =
        side == kFullWords ? notes::printSpoken(parsed) : notes::printBrief(parsed, document_.stage().style);
    if (const QString shown = QString::fromStdString(text); shown != printed_->toPlainText()) {
        printed_->setPlainText(shown);
    }
}

void NotesWorkspace::takeText()
{
    pause_.stop();
    document_.setNotesText(editor_->toPlainText());
}

void NotesWorkspace::showText()
{
    showing_ = true;
    editor_->showText(QString::fromStdString(document_.stage().text));
    showing_ = false;
    editor_->setVocabulary(vocabularyOf(document_.stage()));
    showUnderstanding();
}

void NotesWorkspace::showUnderstanding()
{
    const auto& parsed = document_.prepared().notes;
    model_->reset();
    QString why;
    for (const auto& evidence : parsed.style.evidence) {
        if (evidence.line > 0 && why.count(QLatin1Char('\n')) < 2) {
            why += QStringLiteral("\n")
                + tr("line %1: %2").arg(evidence.line).arg(QString::fromStdString(evidence.says));
        }
    }
    const bool direction_first = parsed.style.order == notes::Order::direction_first;
    const bool ascending = parsed.style.scale == notes::Scale::ascending;
    style_->setText(tr("%n note(s). %1, %2.", nullptr, model_->rowCount())
                        .arg(direction_first ? tr("Direction first") : tr("Number first"),
                            ascending ? tr("a higher grade is faster") : tr("a lower grade is faster")));
    style_->setToolTip(why.trimmed());
    editor_->showUnknown(parsed.unknown);
    listProblems();
    showPrinted();
}

void NotesWorkspace::listProblems()
{
    const auto& parsed = document_.prepared().notes;
    problems_.clear();
    for (const auto& item : parsed.unknown) {
        problems_.push_back({item.line, item.begin, sayUnknown(item), item});
    }
    for (const auto& diagnostic : parsed.diagnostics) {
        problems_.push_back({diagnostic.line, 0,
            tr("Line %1: %2.").arg(diagnostic.line).arg(QString::fromStdString(diagnostic.message)), {}});
    }
    std::stable_sort(problems_.begin(), problems_.end(),
        [](const Problem& a, const Problem& b) { return a.line < b.line; });
    problem_ = problems_.empty() ? 0 : std::min(problem_, problems_.size() - 1);
    showProblem();
}

void NotesWorkspace::showProblem()
{
    const bool any = problems_.empty() == false;
    const auto* problem = any ? &problems_[problem_] : nullptr;
    const auto& parsed = document_.prepared().notes;
    unknown_->setText(any ? tr("%1 of %2. ").arg(problem_ + 1).arg(problems_.size()) + problem->says
            : parsed.words > 0
            ? tr("Every word is understood. Next: give each note its place (F2).")
            : tr("Next: write the notes on the left, or take them from a file, captions or sound."));
    const bool fixable = any && problem->unknown && !problem->unknown->suggestion.empty()
        && problem->unknown->suggestion.find('?') == std::string::npos;
    fix_->setVisible(any);
    fix_->setEnabled(fixable);
    next_->setVisible(any);
}

void NotesWorkspace::nextProblem()
{
    takeText();
    if (problems_.empty()) {
        return;
    }
    const bool there = editor_->cursorLine() == problems_[problem_].line;
    problem_ = there ? (problem_ + 1) % problems_.size() : problem_;
    showProblem();
    editor_->goTo(problems_[problem_].line, problems_[problem_].byte);
}

void NotesWorkspace::fixProblem()
{
    takeText();
    if (problems_.empty() || !problems_[problem_].unknown || !fix_->isEnabled()) {
        return;
    }
    const notes::Unknown unknown = *problems_[problem_].unknown;
    change({notes::withFix(document_.stage().text, unknown), unknown.line,
               unknown.begin + unknown.suggestion.size()},
        tr("Write \u201c%1\u201d for \u201c%2\u201d")
            .arg(QString::fromStdString(unknown.suggestion), QString::fromStdString(unknown.text)));
}

void NotesWorkspace::splitCall()
{
    takeText();
    change(notes::splitCall(document_.stage().text, editor_->cursorLine(), editor_->cursorByte(),
               document_.stage().style, document_.prepared().notes.style.order),
        tr("Split a call"));
}

void NotesWorkspace::joinCalls()
{
    takeText();
    change(notes::joinCalls(document_.stage().text, editor_->cursorLine()), tr("Join two calls"));
}

void NotesWorkspace::repeatLines()
{
    takeText();
    const auto [first, last] = editor_->selectedLines();
    change(notes::repeatLines(document_.stage().text, first, last, 2),
        tr("Drive lines %1 to %2 twice").arg(first).arg(last));
}

void NotesWorkspace::change(const notes::EditedText& edited, const QString& what)
{
    showing_ = true;
    editor_->take(edited);
    showing_ = false;
    document_.setNotesText(QString::fromStdString(edited.text), what);
    editor_->setFocus();
}

void NotesWorkspace::importFile()
{
    const QString file = QFileDialog::getOpenFileName(
        this, tr("Notes from a file"), document_.folderOfFiles(), tr("Notes (*.txt);;All files (*)"));
    if (!file.isEmpty()) {
        takeFile(file);
    }
}

void NotesWorkspace::takeFile(const QString& file)
{
    try {
        const auto text = formats::readText(file.toStdString());
        if (captions::looksLikeCaptions(text)) {
            reviewCaptions(file);
            return;
        }
        const auto before = document_.prepared().road.notes.size();
        document_.setNotesText(QString::fromStdString(text), tr("Notes from a file"));
        if (before > 0) {
            emit document_.message(
                tr("The %n note(s) that were here gave way to those of %1; Ctrl+Z brings them back.",
                    nullptr, static_cast<int>(before))
                    .arg(QFileInfo(file).fileName()));
        }
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
}

void NotesWorkspace::importCaptions()
{
    const QString file = QFileDialog::getOpenFileName(this, tr("Captions of an onboard"),
        document_.folderOfFiles(), tr("Captions (*.srt *.vtt *.txt);;All files (*)"));
    if (!file.isEmpty()) {
        reviewCaptions(file);
    }
}

void NotesWorkspace::importSound()
{
    if (is_listening_) {
        listening_.cancel();
        is_listening_ = false;
        emit document_.message(tr("The listening was stopped; the notes are as they were."));
        return;
    }
    const QString file = QFileDialog::getOpenFileName(this, tr("A video or a sound in which notes are read"),
        document_.mediaFile().isEmpty() ? document_.folderOfFiles() : document_.mediaFile());
    if (!file.isEmpty()) {
        rememberChosen(file.toStdString());
        listenTo(file);
    }
}

void NotesWorkspace::toggleDictation()
{
    if (dictation_->isOn()) {
        dictation_->stop();
        return;
    }
    const auto microphones = media::microphoneNames();
    if (microphones.isEmpty()) {
        emit document_.message(tr("There is no microphone. Plug one in, then dictate."));
        return;
    }
    const QString chosen = QSettings().value(QStringLiteral("read/input")).toString(); // the one of Read
    dictate(media::makeMicrophone(microphones.contains(chosen) ? chosen : QString()));
}

void NotesWorkspace::dictate(std::unique_ptr<media::VoiceInput> input)
{
    dictation_->start(std::move(input));
}

void NotesWorkspace::listenTo(const QString& file)
{
    const QString name = QFileInfo(file).fileName();
    const auto told = [this, name](double share, const QString& heard) {
        emit document_.message(
            tr("Listening to %1: %2 %. Alt+O stops it. %3").arg(name).arg(qRound(100.0 * share)).arg(heard));
    };
    auto last = std::make_shared<QString>();
    is_listening_ = true;
    told(0.0, {});
    const auto* pass = document_.pass();
    const bool own = pass != nullptr && QFileInfo(file) == QFileInfo(document_.mediaFile());
    const double from_s = own ? pass->in_s : 0.0;
    const double to_s = own && pass->out_s > from_s ? pass->out_s : 1e9;
    listening_ = inBackground(
        this,
        [path = std::filesystem::path(file.toStdString()), style = document_.stage().style, last, from_s,
            to_s](const media::Progress& progress) {
            constexpr double kDecoding = 0.05;
            auto sound = media::decodeSound(
                path, media::kAlignRate_hz, [&](double share) { return progress(kDecoding * share); });
            sound = media::spanOf(sound, from_s, to_s);
            auto cues = media::listen(
                std::move(sound), style,
                [&](double share) { return progress(kDecoding + (1.0 - kDecoding) * share); },
                [&](const captions::Cue& cue) {
                    QMetaObject::invokeMethod(
                        QCoreApplication::instance(),
                        [last, text = QString::fromStdString(cue.text)] { *last = text; },
                        Qt::QueuedConnection);
                });
            captions::shift(cues, from_s);
            return cues;
        },
        [this, name, file](Outcome<std::vector<captions::Cue>> cues) {
            is_listening_ = false;
            if (!cues.value) {
                emit document_.message(cues.why);
                return;
            }
            auto draft =
                captions::draftNotes(*cues.value, document_.stage().style, media::englishPronunciations());
            if (!captions::isReading(draft)) {
                emit document_.message((cues.value->empty()
                        ? tr("No speech is heard in %1: the notes are as they were.")
                        : tr("Nobody reads notes in %1, or none that can be made out: the notes are as "
                             "they were."))
                                           .arg(name));
                return;
            }
            emit document_.message({});
            captions_->show(std::move(draft), name, file);
            pages_->setCurrentWidget(captions_);
            captions_->findChild<QWidget*>(QStringLiteral("captionsTable"))->setFocus();
        },
        [told, last](double share) { told(share, *last); });
}

void NotesWorkspace::reviewCaptions(const QString& file)
{
    try {
        captions_->open(file);
        pages_->setCurrentWidget(captions_);
        captions_->findChild<QWidget*>(QStringLiteral("captionsTable"))->setFocus();
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
}

void NotesWorkspace::usePrinted()
{
    const bool full = sides_->chosen() == kFullWords;
    document_.setNotesText(
        printed_->toPlainText(), full ? tr("Write the notes in full words") : tr("Write the notes in short"));
}

} // namespace brumefall::app
