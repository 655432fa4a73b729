#include "export/export_dialog.h"

#include "export/book_settings.h"
#include "export/pages_preview.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPrintDialog>
#include <QPrinter>
#include <QProgressBar>
#include <QPushButton>
#include <QSpinBox>
#include <QStackedWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <array>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr int kThisStage = 0;

QComboBox* makeChoice(const QString& name, const char* object, const QStringList& choices)
{
    auto* box = new QComboBox;
    box->addItems(choices);
    box->setAccessibleName(name);
    box->setObjectName(QString::fromLatin1(object));
    return box;
}

} // namespace

ExportDialog::ExportDialog(Document& document, QWidget* parent)
    : QDialog(parent)
    , document_(document)
    , book_(app::bookWish())
    , kinds_(new QListWidget)
    , forms_(new QStackedWidget)
    , about_(new QLabel)
    , says_(new QLabel)
    , progress_(new QProgressBar)
{
    setObjectName(QStringLiteral("exportDialog"));
    setWindowTitle(tr("Export"));
    kinds_->setObjectName(QStringLiteral("exportKinds"));
    kinds_->setAccessibleName(tr("What to make"));
    kinds_->addItems({tr("Pages for the car"), tr("A sound track"), tr("The video with the calls"),
        tr("Captions"), tr("A table"), tr("Figures as JSON"), tr("The notes as text"), tr("Way points"),
        tr("The stage itself")});
    kinds_->setFixedWidth(200);
    about_->setWordWrap(true);
    says_->setWordWrap(true);
    says_->setObjectName(QStringLiteral("exportSays"));
    progress_->setRange(0, 100);
    progress_->setTextVisible(false);
    progress_->hide();
    makePages();
    makeVoiceForm();
    makeOthers();

    auto* buttons = new QHBoxLayout;
    write_ = new QPushButton(tr("Write\u2026"));
    write_->setObjectName(QStringLiteral("exportWrite"));
    write_->setDefault(true);
    print_ = new QPushButton(tr("Print\u2026"));
    stop_ = new QPushButton(tr("Stop"));
    stop_->setObjectName(QStringLiteral("exportStop"));
    stop_->hide();
    auto* close = new QPushButton(tr("Close (Esc)"));
    buttons->addWidget(progress_, 1);
    buttons->addStretch(1);
    for (QPushButton* button : {write_, print_, stop_, close}) {
        button->setAutoDefault(button == write_);
        buttons->addWidget(button);
    }
    auto* right = new QVBoxLayout;
    right->addWidget(about_);
    right->addWidget(forms_, 1);
    right->addWidget(says_);
    right->addLayout(buttons);
    auto* all = new QHBoxLayout(this);
    all->addWidget(kinds_);
    all->addLayout(right, 1);
    resize(parent == nullptr ? QSize(1000, 640) : (QSizeF(parent->size()) * 0.92).toSize());

    connect(kinds_, &QListWidget::currentRowChanged, this, &ExportDialog::showKind);
    connect(kinds_, &QListWidget::itemActivated, this, &ExportDialog::ask);
    connect(write_, &QPushButton::clicked, this, &ExportDialog::ask);
    connect(print_, &QPushButton::clicked, this, &ExportDialog::print);
    connect(stop_, &QPushButton::clicked, this, [this] {
        job_.cancel();
        finish({}, {std::nullopt, tr("Stopped; nothing was written.")});
    });
    connect(close, &QPushButton::clicked, this, &QDialog::reject);
    choose(kPages);
}

void ExportDialog::choose(Kind kind)
{
    kinds_->setCurrentRow(kind);
    kinds_->setFocus();
    showKind();
}

ExportDialog::Kind ExportDialog::kind() const
{
    return static_cast<Kind>(std::max(0, kinds_->currentRow()));
}

void ExportDialog::makePages()
{
    auto* page = new QWidget;
    auto* form = new QFormLayout;
    paper_ = makeChoice(tr("Paper"), "exportPaper", {tr("A5"), tr("A6"), tr("B6"), tr("own size")});
    width_ = new QSpinBox;
    height_ = new QSpinBox;
    for (QSpinBox* side : {width_, height_}) {
        side->setRange(60, 500);
        side->setSuffix(tr(" mm"));
    }
    width_->setAccessibleName(tr("Width of the paper"));
    height_->setAccessibleName(tr("Height of the paper"));
    binding_ = makeChoice(tr("Binding"), "exportBinding", {tr("left"), tr("right"), tr("above")});
    letters_ = new QDoubleSpinBox;
    letters_->setObjectName(QStringLiteral("exportLetters"));
    letters_->setRange(3.0, 15.0);
    letters_->setSingleStep(0.5);
    letters_->setDecimals(1);
    letters_->setSuffix(tr(" mm"));
    letters_->setAccessibleName(tr("Height of the letters"));
    words_ = makeChoice(
        tr("Words"), "exportWords", {tr("as written"), tr("in full words"), tr("in our shorthand")});
    version_ = new QLineEdit;
    version_->setObjectName(QStringLiteral("exportVersion"));
    version_->setPlaceholderText(tr("after recce 2"));
    version_->setAccessibleName(tr("Version"));
    version_->setMaxLength(40);
    turns_ = new QLabel;
    turns_->setWordWrap(true);
    turns_->setObjectName(QStringLiteral("exportTurns"));
    form->addRow(tr("Paper"), paper_);
    form->addRow(tr("Width"), width_);
    form->addRow(tr("Height"), height_);
    form->addRow(tr("Binding"), binding_);
    form->addRow(tr("Letters"), letters_);
    form->addRow(tr("Words"), words_);
    form->addRow(tr("Version"), version_);
    auto* side = new QVBoxLayout;
    side->addLayout(form);
    side->addWidget(turns_);
    side->addStretch(1);
    preview_ = new PagesPreview;
    auto* all = new QHBoxLayout(page);
    all->setContentsMargins(0, 0, 0, 0);
    all->addLayout(side, 1);
    all->addWidget(preview_, 3);
    forms_->addWidget(page);

    const std::array<QSizeF, 3> papers{*pages::paperFrom(QStringLiteral("a5")),
        *pages::paperFrom(QStringLiteral("a6")), *pages::paperFrom(QStringLiteral("b6"))};
    const auto known = std::find(papers.begin(), papers.end(), book_.paper_mm);
    paper_->setCurrentIndex(static_cast<int>(known - papers.begin()));
    width_->setValue(static_cast<int>(book_.paper_mm.width()));
    height_->setValue(static_cast<int>(book_.paper_mm.height()));
    binding_->setCurrentIndex(static_cast<int>(book_.binding));
    letters_->setValue(book_.letters_mm);
    words_->setCurrentIndex(static_cast<int>(book_.words));
    version_->setText(book_.version);
    const auto changed = [this, papers] {
        const int paper = paper_->currentIndex();
        const bool own = paper >= static_cast<int>(papers.size());
        width_->setEnabled(own);
        height_->setEnabled(own);
        if (!own) {
            const QSignalBlocker quiet_width(width_);
            const QSignalBlocker quiet_height(height_);
            width_->setValue(static_cast<int>(papers.at(static_cast<std::size_t>(paper)).width()));
            height_->setValue(static_cast<int>(papers.at(static_cast<std::size_t>(paper)).height()));
        }
        book_.paper_mm = QSizeF(width_->value(), height_->value());
        book_.binding = static_cast<pages::Binding>(binding_->currentIndex());
        book_.letters_mm = letters_->value();
        book_.words = static_cast<pages::Words>(words_->currentIndex());
        book_.version = version_->text();
        rememberBookWish(book_);
        showPages();
    };
    for (QComboBox* box : {paper_, binding_, words_}) {
        connect(box, &QComboBox::currentIndexChanged, this, changed);
    }
    for (QSpinBox* box : {width_, height_}) {
        connect(box, &QSpinBox::valueChanged, this, changed);
    }
    connect(letters_, &QDoubleSpinBox::valueChanged, this, changed);
    connect(version_, &QLineEdit::textChanged, this, changed);
    changed();
}

/// Sound, video and captions are of the plan or of a take.
void ExportDialog::makeVoiceForm()
{
    QStringList voices{tr("as planned: the guide voice")};
    for (const auto& take : document_.takes()) {
        voices << tr("as read: %1").arg(QString::fromStdString(take.title.empty() ? take.name : take.title));
    }
    const auto addTakes = [&](QFormLayout* form, const QString& label, const char* name) {
        auto* box = makeChoice(label, name, voices);
        form->addRow(label, box);
        takes_.push_back(box);
    };
    auto* track = new QWidget;
    auto* track_form = new QFormLayout(track);
    addTakes(track_form, tr("Voice"), "exportTrackVoice");
    track_as_ = makeChoice(tr("As"), "exportTrackAs",
        {tr("FLAC"), tr("WAV, with a cue point a call"), tr("Opus, with a chapter a call")});
    track_form->addRow(tr("As"), track_as_);
    mixed_ =
        makeChoice(tr("Sound"), "exportTrackMixed", {tr("the voice alone"), tr("over the onboard's sound")});
    track_form->addRow(tr("Sound"), mixed_);
    forms_->addWidget(track);
    auto* video = new QWidget;
    addTakes(new QFormLayout(video), tr("Voice"), "exportVideoVoice");
    forms_->addWidget(video);
    auto* captions = new QWidget;
    auto* captions_form = new QFormLayout(captions);
    addTakes(captions_form, tr("Calls"), "exportCaptionsVoice");
    captions_as_ = makeChoice(tr("As"), "exportCaptionsAs", {tr("SubRip (.srt)"), tr("WebVTT (.vtt)")});
    captions_form->addRow(tr("As"), captions_as_);
    forms_->addWidget(captions);
}

void ExportDialog::makeOthers()
{
    QStringList tables{tr("the notes, with their places"), tr("the plan")};
    QStringList figures{tr("the plan")};
    for (const auto& take : document_.takes()) {
        const QString row =
            tr("the verdicts of %1").arg(QString::fromStdString(take.title.empty() ? take.name : take.title));
        tables << row;
        figures << row;
    }
    auto* table = new QWidget;
    table_ = makeChoice(tr("Of"), "exportTable", tables);
    (new QFormLayout(table))->addRow(tr("Of"), table_);
    forms_->addWidget(table);
    auto* json = new QWidget;
    auto* figures_of = makeChoice(tr("Of"), "exportFigures", figures);
    takes_.push_back(figures_of);
    (new QFormLayout(json))->addRow(tr("Of"), figures_of);
    forms_->addWidget(json);
    forms_->addWidget(new QWidget);
    forms_->addWidget(new QWidget);
    auto* package = new QWidget;
    auto* form = new QFormLayout(package);
    whole_ = makeChoice(tr("What"), "exportWhole", {tr("this stage"), tr("the whole rally around it")});
    media_ = makeChoice(tr("Videos"), "exportMedia", {tr("go along"), tr("stay here: it is small")});
    form->addRow(tr("What"), whole_);
    form->addRow(tr("Videos"), media_);
    forms_->addWidget(package);
}

void ExportDialog::showKind()
{
    static const std::array kAbout{
        tr("The notebook as PDF, or on a printer. Pages are turned where the plan leaves most time. Read "
           "(F4) "
           "shows the same pages: tick \u201cprinted\u201d."),
        tr("The voice on the clock of the pass's video: it begins when the video begins."),
        tr("The pass's video as it is, not encoded anew, with the calls as a sound of its own and as "
           "captions: "
           "any player shows it."),
        tr("Captions on the clock of the pass's video: put beside it under its name, any player shows them."),
        tr("A table of commas, with the units in its headers."),
        tr("The same that the command line prints."),
        tr("The notes as they are written."),
        tr("Placed notes as way points, and the track: GPX, from the log with positions by which the pass "
           "was "
           "laid."),
        tr("Stage, passes and takes as one .zip, to be opened by Stage, Open a package."),
    };
    forms_->setCurrentIndex(kind());
    about_->setText(kAbout.at(static_cast<std::size_t>(kind())));
    print_->setVisible(kind() == kPages);
    say({});
}

void ExportDialog::showPages()
{
    if (document_.prepared().plan.calls.empty()) {
        preview_->show({});
        turns_->clear();
        return;
    }
    auto book = makeBook(document_, document_.prepared().plan);
    QStringList facts{tr("%n page(s).", nullptr, static_cast<int>(book.pages().size()))};
    if (const auto tight = book.tightest()) {
        const auto& page = book.pages()[*tight];
        facts << tr("Tightest turn: after page %1, %2 s%3.")
                     .arg(*tight + 1)
                     .arg(page.turn_s, 0, 'f', 1)
                     .arg(page.in_squeeze ? tr(", in a squeeze: smaller letters or paper may move it")
                                          : QString());
    }
    facts << tr("Tab to the pages, then \u2190 and \u2192 turn them.");
    turns_->setText(facts.join(QLatin1Char(' ')));
    preview_->show(std::move(book));
}

QString ExportDialog::suffix() const
{
    const auto nth = [](const QComboBox* box, std::initializer_list<const char*> suffixes) {
        return QString::fromLatin1(*(suffixes.begin() + std::max(0, box->currentIndex())));
    };
    switch (kind()) {
    case kPages: return QStringLiteral(".pdf");
    case kTrack: return nth(track_as_, {".flac", ".wav", ".opus"});
    case kVideo: return QStringLiteral(".mkv");
    case kCaptions: return nth(captions_as_, {".srt", ".vtt"});
    case kTable: return QStringLiteral(".csv");
    case kFigures: return QStringLiteral(".json");
    case kText: return QStringLiteral(".txt");
    case kWayPoints: return QStringLiteral(".gpx");
    case kPackage: break;
    }
    return QStringLiteral(".zip");
}

exporting::ExportWish ExportDialog::wish() const
{
    exporting::ExportWish wish;
    wish.book = book_;
    wish.book.date = app::bookWish().date;
    if (const auto* pass = document_.pass()) {
        wish.pass = pass->name;
    }
    const auto takeAt = [&](int row) {
        if (row > 0) {
            wish.take = document_.takes()[static_cast<std::size_t>(row - 1)].name;
        }
    };
    switch (kind()) {
    case kTrack: takeAt(takes_[0]->currentIndex()); break;
    case kVideo: takeAt(takes_[1]->currentIndex()); break;
    case kCaptions: takeAt(takes_[2]->currentIndex()); break;
    case kFigures: takeAt(takes_[3]->currentIndex()); break;
    case kTable:
        takeAt(table_->currentIndex() - 1);
        wish.table = table_->currentIndex() == 0 ? exporting::Table::notes : exporting::Table::by_take;
        break;
    default: break;
    }
    wish.mixed = kind() == kTrack && mixed_->currentIndex() == 1;
    wish.with_media = media_->currentIndex() == 0;
    return wish;
}

void ExportDialog::ask()
{
    if (writing_) {
        return;
    }
    document_.save();
    if (document_.hasUnsavedChanges()) {
        say(tr("The stage could not be saved first."));
        return;
    }
    if (const bool needs_video = kind() == kVideo || (kind() == kTrack && mixed_->currentIndex() == 1);
        needs_video && document_.mediaFile().isEmpty()) {
        say(tr("This needs a pass with a video that is there (F2)."));
        return;
    }
    const QString name =
        QString::fromStdString(document_.stage().name).replace(QLatin1Char('/'), QLatin1Char('-'));
    QString file = QFileDialog::getSaveFileName(this, tr("Where to"),
        (name.isEmpty() ? tr("stage") : name) + suffix(), QStringLiteral("*") + suffix());
    if (file.isEmpty()) {
        return;
    }
    if (!file.endsWith(suffix(), Qt::CaseInsensitive)) {
        file += suffix();
    }
    write(file);
}

void ExportDialog::write(const QString& file)
{
    auto wished = wish();
    wished.to = file.toStdString();
    if (kind() == kWayPoints) {
        const QString log =
            QFileDialog::getOpenFileName(this, tr("The log with positions that this pass was laid by"),
                QString::fromStdString((document_.folder() / "media").string()), tr("Logs (*.gpx *.csv)"));
        if (log.isEmpty()) {
            return;
        }
        wished.log = log.toStdString();
    }
    const bool rally = kind() == kPackage && whole_->currentIndex() != kThisStage;
    const auto folder = rally ? document_.folder().parent_path() : document_.folder();
    writing_ = true;
    write_->setEnabled(false);
    print_->setEnabled(false);
    kinds_->setEnabled(false);
    stop_->show();
    progress_->setValue(0);
    progress_->show();
    say(tr("Writing\u2026"));
    job_ = inBackground(
        this,
        [folder, wished](
            const media::Progress& progress) { return exporting::exportStage(folder, wished, progress); },
        [this, file](Outcome<std::vector<std::string>> outcome) { finish(file, outcome); },
        [this](double share) { progress_->setValue(static_cast<int>(std::lround(100.0 * share))); });
}

void ExportDialog::finish(const QString& file, const Outcome<std::vector<std::string>>& outcome)
{
    writing_ = false;
    for (QWidget* widget : std::initializer_list<QWidget*>{write_, print_, kinds_}) {
        widget->setEnabled(true);
    }
    stop_->hide();
    progress_->hide();
    if (!outcome.value) {
        say(outcome.why);
        return;
    }
    QString words = tr("Written: %1.").arg(file);
    for (const std::string& line : *outcome.value) {
        words += QLatin1Char(' ') + QString::fromStdString(line) + QLatin1Char('.');
    }
    say(words);
}

void ExportDialog::print()
{
    const auto* book = preview_->book();
    if (book == nullptr || book->pages().empty()) {
        say(tr("There are no notes to print yet."));
        return;
    }
    QPrinter printer(QPrinter::HighResolution);
    printer.setFullPage(true);
    printer.setPageSize(QPageSize(book_.paper_mm, QPageSize::Millimeter));
    QPrintDialog dialog(&printer, this);
    dialog.setWindowTitle(tr("Print the pages"));
    if (dialog.exec() == QDialog::Accepted) {
        book->print(printer);
        say(tr("%n page(s) went to the printer.", nullptr, static_cast<int>(book->pages().size())));
    }
}

void ExportDialog::say(const QString& words)
{
    says_->setText(words);
}

} // namespace brumefall::app
