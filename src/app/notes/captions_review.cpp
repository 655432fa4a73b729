#include "notes/captions_review.h"

#include "document/media_trust.h"
#include "formats/files.h"
#include "media/position_log.h"
#include "media/pronunciations.h"
#include "media/sound.h"
#include "pace/match.h"
#include "stage/from_recording.h"
#include "theme/theme.h"
#include "widgets/clock.h"
#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include <algorithm>
#include <limits>
#include <stdexcept>

namespace brumefall::app {
namespace {

constexpr std::size_t kNoCall = std::numeric_limits<std::size_t>::max();
constexpr double kSureEnough = 0.85;

/// What was mended, and below it what is least sure of each note in doubt.
QString mendedWords(const captions::DraftCall& call)
{
    QStringList parts;
    for (const auto& repair : call.repairs) {
        const QString from = QString::fromStdString(repair.from);
        parts << (repair.to.empty()
                ? CaptionsReview::tr("without \u201c%1\u201d").arg(from)
                : QStringLiteral("%1 \u2192 %2").arg(from, QString::fromStdString(repair.to)));
    }
    for (const auto& note : call.notes) {
        const bool looked_at = note.sure >= 1.0;
        if (!note.doubt.empty() && note.sure < kSureEnough) {
            parts << CaptionsReview::tr("look: %1").arg(QString::fromStdString(note.doubt));
        }
        if (note.otherwise && (looked_at || note.sure < kSureEnough)) {
            parts << CaptionsReview::tr("O: %1").arg(note.otherwise->empty()
                    ? CaptionsReview::tr("no note")
                    : QString::fromStdString(*note.otherwise));
        }
    }
    return parts.join(QStringLiteral("\n"));
}

} // namespace

CaptionsReview::CaptionsReview(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , head_(new QLabel)
    , stages_(new QComboBox)
    , table_(new QTableWidget(0, kColumns))
    , places_(new QCheckBox)
    , summary_(new QLabel)
    , accept_(new QPushButton)
{
    setObjectName(QStringLiteral("captionsReview"));
    head_->setProperty("large", true);
    head_->setObjectName(QStringLiteral("captionsHead"));
    stages_->setObjectName(QStringLiteral("captionsStage"));
    table_->setObjectName(QStringLiteral("captionsTable"));
    table_->setHorizontalHeaderLabels(
        {tr("take"), tr("time"), tr("as captioned"), tr("as proposed"), tr("what is mended"), tr("sure")});
    asRows(table_);
    table_->setShowGrid(true);
    table_->setWordWrap(true);
    auto* header = table_->horizontalHeader();
    for (const int column : {kTake, kTime, kSure}) {
        header->setSectionResizeMode(column, QHeaderView::ResizeToContents);
    }
    for (const int column : {kHeard, kProposed, kMended}) {
        header->setSectionResizeMode(column, QHeaderView::Stretch);
    }
    places_->setObjectName(QStringLiteral("captionsPlaces"));
    summary_->setObjectName(QStringLiteral("captionsSummary"));
    summary_->setWordWrap(true);
    accept_->setObjectName(QStringLiteral("captionsAccept"));
    accept_->setText(tr("Make these the notes"));

    auto* top = new QHBoxLayout;
    top->addWidget(head_);
    top->addStretch();
    const auto button = [&](QHBoxLayout* into, const QString& text, const char* name, auto action) {
        auto* b = new QPushButton(text);
        b->setObjectName(QString::fromLatin1(name));
        connect(b, &QPushButton::clicked, this, action);
        into->addWidget(b);
        return b;
    };
    bindButton(
        button(top, tr("Look here"), "captionsLook", [this] { lookAtNext(); }), QKeyCombination(Qt::Key_F8));
    bindButton(button(top, tr("Other reading"), "captionsOther", [this] { takeOther(); }),
        QKeyCombination(Qt::Key_O));
    bindButton(button(top, tr("It is right"), "captionsRight", [this] { confirmCall(); }),
        QKeyCombination(Qt::Key_K));
    button(top, tr("Take all"), "captionsAll", [this] { takeAll(true); });
    button(top, tr("Take none"), "captionsNone", [this] { takeAll(false); });
    button(top, tr("Only what is sure"), "captionsSure", [this] { takeSure(); });
    auto* bottom = new QHBoxLayout;
    bottom->addStretch();
    each_ =
        addButton(bottom, tr("Each as a stage of the rally\u2026"), "captionsEach", [this] { makeStages(); });
    button(bottom, tr("Keep the old notes"), "captionsCancel", [this] { emit finished(); });
    bottom->addWidget(accept_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(top);
    layout->addWidget(stages_, 0, Qt::AlignLeft);
    layout->addWidget(summary_);
    layout->addWidget(table_, 1);
    layout->addWidget(places_, 0, Qt::AlignRight);
    layout->addLayout(bottom);

    fit_.setSingleShot(true);
    fit_.setInterval(0);
    connect(&fit_, &QTimer::timeout, table_, &QTableWidget::resizeRowsToContents);
    connect(header, &QHeaderView::sectionResized, &fit_, qOverload<>(&QTimer::start));
    connect(stages_, &QComboBox::activated, this, &CaptionsReview::showStage);
    connect(table_, &QTableWidget::itemChanged, this, [this](QTableWidgetItem* item) {
        const std::size_t call = call_of_row_[static_cast<std::size_t>(item->row())];
        if (showing_ || item->column() != kTake || call == kNoCall) {
            return;
        }
        if (item->checkState() == Qt::Checked) {
            kept_as_heard_.erase(call);
        } else {
            kept_as_heard_.insert(call);
        }
        refresh();
    });
    connect(table_, &QTableWidget::cellActivated, this, [this](int row, int) { // Enter takes, or does not
        auto* item = table_->item(row, kTake);
        if (item != nullptr && item->flags().testFlag(Qt::ItemIsUserCheckable)) {
            item->setCheckState(item->checkState() == Qt::Checked ? Qt::Unchecked : Qt::Checked);
        }
    });
    connect(accept_, &QPushButton::clicked, this, &CaptionsReview::accept);
}

void CaptionsReview::open(const QString& file)
{
    const auto content = formats::readText(file.toStdString());
    const QString name = QFileInfo(file).fileName();
    const auto cues = captions::readCues(content, name.toStdString());
    show(captions::draftNotes(cues, document_.stage().style, media::englishPronunciations()), name);
}

void CaptionsReview::show(captions::Draft draft, const QString& name, const QString& recording)
{
    const bool of_sound = !recording.isEmpty();
    draft_ = std::move(draft);
    file_ = name;
    recording_ = recording;
    kept_as_heard_.clear();
    looked_at_ = 0;
    stages_->clear();
    for (std::size_t i = 0; i < draft_.stages.size(); ++i) {
        const auto& s = draft_.stages[i];
        stages_->addItem(tr("stage %1: %2 to %3, %4 calls")
                             .arg(i + 1)
                             .arg(clockText(s.go_s), clockText(s.stop_s))
                             .arg(s.last_call - s.first_call));
    }
    stages_->setVisible(draft_.stages.size() > 1);
    each_->setVisible(draft_.stages.size() > 1);
    head_->setText(draft_.stages.size() > 1 ? tr("%1 stages in %2").arg(draft_.stages.size()).arg(file_)
            : of_sound                      ? tr("Heard in %1").arg(file_)
                                            : tr("Captions in %1").arg(file_));
    table_->horizontalHeaderItem(kHeard)->setText(of_sound ? tr("as heard") : tr("as captioned"));
    const auto* pass = document_.pass();
    places_->setChecked(pass == nullptr || pass->marks.empty());
    const QString lead = tr("%1 s after they are said").arg(stage::kUsualLead_s, 0, 'f', 1);
    places_->setText(pass != nullptr
            ? tr("draft places in pass \u201c%1\u201d, %2").arg(QString::fromStdString(pass->name), lead)
            : makesPass() ? tr("this video is the pass, draft places %1").arg(lead)
                          : tr("keep their times until there is a video"));
    if (const QString log = logBeside(); !log.isEmpty()) {
        places_->setText(tr("%1, then by the bends of %2").arg(places_->text(), QFileInfo(log).fileName()));
    }
    showStage();
}

bool CaptionsReview::makesPass() const
{
    return !recording_.isEmpty() && document_.pass() == nullptr;
}

/// Its go and its span are those that were heard.
void CaptionsReview::addHeardPass()
{
    document_.addPass(
        recording_, media::inspect(recording_.toStdString()).duration_s, QStringLiteral("stage"));
    auto pass = *document_.pass();
    stage::layOver(pass, stage());
    document_.setPass(pass, tr("Go as it was heard"));
}

QString CaptionsReview::logBeside() const
{
    const QFileInfo video(makesPass() ? recording_ : document_.mediaFile());
    for (const char* kind : {"gpx", "csv"}) {
        const QFileInfo log(video.dir(), video.completeBaseName() + QLatin1Char('.') + QLatin1String(kind));
        if (video.isFile() && log.isFile()) {
            return log.filePath();
        }
    }
    return {};
}

QString CaptionsReview::sharpenPlaces(bool go_is_known)
{
    const QString file = logBeside();
    if (file.isEmpty() || document_.pass() == nullptr) {
        return {};
    }
    const QString name = QFileInfo(file).fileName();
    try {
        const auto log = media::readLogFile(file.toStdString());
        auto pass = *document_.pass();
        const auto done = pace::sharpenDrafts(
            pass, document_.prepared().road, log, pace::cleanLog(log), name.toStdString(), go_is_known);
        if (done.moved == 0) {
            return tr("The bends of %1 and these notes do not fit each other.").arg(name);
        }
        document_.setPass(pass, tr("Places by the bends of %1").arg(name));
        return (done.fit.by == "go"
                ? tr("%1 places lie where the bends of %2 have them; look at the others first.")
                : tr("%1 places lie as the bends of %2 have them, but all as early or late as they were "
                     "said: mark four, then lay the log by them (Places, Track)."))
            .arg(done.moved)
            .arg(name);
    } catch (const std::exception& error) { // no log, or none that tells anything: the places stay
        return tr("%1: %2").arg(name, QString::fromUtf8(error.what()));
    }
}

const captions::DraftStage& CaptionsReview::stage() const
{
    static const captions::DraftStage kNone{};
    const auto index = static_cast<std::size_t>(std::max(0, stages_->currentIndex()));
    return index < draft_.stages.size() ? draft_.stages[index] : kNone;
}

void CaptionsReview::showStage()
{
    showing_ = true;
    const auto& s = stage();
    struct Row {
        double at_s;
        std::size_t call;
        const captions::DraftCall* talk;
    };
    std::vector<Row> rows;
    for (std::size_t c = s.first_call; c < s.last_call; ++c) {
        rows.push_back({draft_.calls[c].at_s, c, nullptr});
    }
    for (const auto& talk : draft_.talk) {
        const bool before = talk.at_s < s.go_s - 30.0;
        const bool after = talk.at_s > s.stop_s + 30.0;
        if (!before && !after) {
            rows.push_back({talk.at_s, kNoCall, &talk});
        }
    }
    std::stable_sort(rows.begin(), rows.end(), [](const Row& a, const Row& b) { return a.at_s < b.at_s; });
    call_of_row_.clear();
    table_->setRowCount(static_cast<int>(rows.size()));
    for (int r = 0; r < table_->rowCount(); ++r) {
        const Row& row = rows[static_cast<std::size_t>(r)];
        call_of_row_.push_back(row.call);
        if (row.call != kNoCall) {
            showRow(r, row.call);
            continue;
        }
        const bool known = !row.talk->heard.empty();
        const QString texts[]{QString(), clockText(row.at_s),
            known ? QString::fromStdString(row.talk->heard)
                  : tr("%1 s of talk").arg(row.talk->end_s - row.talk->at_s, 0, 'f', 0),
            tr("talk, no note"), QString(), QString()};
        for (int column = 0; column < kColumns; ++column) {
            auto* item = new QTableWidgetItem(texts[column]);
            item->setForeground(theme().quiet);
            item->setFlags(Qt::ItemIsEnabled);
            table_->setItem(r, column, item);
        }
    }
    showing_ = false;
    refresh();
    fit_.start();
}

void CaptionsReview::showRow(int row, std::size_t call)
{
    const auto& said = draft_.calls[call];
    const QString sure = said.notes.empty() ? QString() : tr("%1 %").arg(qRound(100.0 * said.confidence()));
    const QString texts[]{QString(), clockText(said.at_s), QString::fromStdString(said.heard),
        QString::fromStdString(said.text), mendedWords(said), sure};
    for (int column = 0; column < kColumns; ++column) {
        auto* item = new QTableWidgetItem(texts[column]);
        item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
        if (column == kTake && !said.repairs.empty()) {
            item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
            item->setCheckState(isTaken(call) ? Qt::Checked : Qt::Unchecked);
        }
        table_->setItem(row, column, item);
    }
}

void CaptionsReview::refresh()
{
    showing_ = true;
    const auto& s = stage();
    int mended = 0;
    int taken = 0;
    for (int r = 0; r < table_->rowCount(); ++r) {
        const std::size_t call = call_of_row_[static_cast<std::size_t>(r)];
        if (call == kNoCall || draft_.calls[call].repairs.empty()) {
            continue;
        }
        ++mended;
        taken += isTaken(call) ? 1 : 0;
        table_->item(r, kTake)->setCheckState(isTaken(call) ? Qt::Checked : Qt::Unchecked);
        QFont written = typeface(type::kText, !isTaken(call));
        QFont proposed = typeface(type::kText, isTaken(call));
        proposed.setStrikeOut(!isTaken(call));
        table_->item(r, kHeard)->setFont(written);
        table_->item(r, kProposed)->setFont(proposed);
    }
    const auto from = draft_.calls.begin();
    const auto doubtful = std::count_if(from + static_cast<std::ptrdiff_t>(s.first_call),
        from + static_cast<std::ptrdiff_t>(s.last_call),
        [](const captions::DraftCall& call) { return call.confidence() < kSureEnough; });
    summary_->setText((doubtful > 0 ? tr("Next: look at the %1 calls in doubt, least sure first (F8). O "
                                         "takes the other reading, K keeps what is "
                                         "proposed. ")
                                          .arg(doubtful)
                                    : QString())
        + tr("%1 calls; mended: %2, taken of these: %3 (Enter changes it). What is not taken stays as it "
             "stands on the left.")
              .arg(s.last_call - s.first_call)
              .arg(mended)
              .arg(taken));
    accept_->setEnabled(s.last_call > s.first_call);
    showing_ = false;
}

/// The calls in doubt, least sure first; one after another.
void CaptionsReview::lookAtNext()
{
    std::vector<std::pair<double, int>> doubtful;
    for (int r = 0; r < table_->rowCount(); ++r) {
        const std::size_t call = call_of_row_[static_cast<std::size_t>(r)];
        if (call != kNoCall && draft_.calls[call].confidence() < kSureEnough) {
            doubtful.emplace_back(draft_.calls[call].confidence(), r);
        }
    }
    if (doubtful.empty()) {
        return;
    }
    std::sort(doubtful.begin(), doubtful.end());
    showCall(doubtful[looked_at_++ % doubtful.size()].second);
}

void CaptionsReview::showCall(int row)
{
    table_->setCurrentCell(row, kProposed);
    table_->scrollToItem(table_->item(row, kProposed), QAbstractItemView::PositionAtCenter);
    table_->setFocus();
}

std::optional<std::size_t> CaptionsReview::chosenCall() const
{
    const int row = table_->currentRow();
    const std::size_t call = row < 0 ? kNoCall : call_of_row_[static_cast<std::size_t>(row)];
    return call == kNoCall ? std::nullopt : std::optional(call);
}

void CaptionsReview::takeOther()
{
    const auto call = chosenCall();
    const auto note = call ? captions::noteInDoubt(draft_.calls[*call]) : std::nullopt;
    if (!note) {
        emit document_.message(tr("Nothing here could well be read in another way."));
        return;
    }
    captions::takeOther(draft_.calls[*call], *note);
    kept_as_heard_.erase(*call);
    showAgain(*call);
}

void CaptionsReview::confirmCall()
{
    if (const auto call = chosenCall()) {
        captions::confirm(draft_.calls[*call]);
        showAgain(*call);
        looked_at_ = 0;
        lookAtNext();
    }
}

void CaptionsReview::showAgain(std::size_t call)
{
    showing_ = true;
    showRow(table_->currentRow(), call);
    showing_ = false;
    refresh();
    fit_.start();
}

void CaptionsReview::takeAll(bool take)
{
    for (std::size_t c = stage().first_call; c < stage().last_call; ++c) {
        if (take) {
            kept_as_heard_.erase(c);
        } else if (!draft_.calls[c].repairs.empty()) {
            kept_as_heard_.insert(c);
        }
    }
    refresh();
}

void CaptionsReview::takeSure()
{
    for (std::size_t c = stage().first_call; c < stage().last_call; ++c) {
        if (draft_.calls[c].confidence() >= kSureEnough) {
            kept_as_heard_.erase(c);
        } else {
            kept_as_heard_.insert(c);
        }
    }
    refresh();
}

void CaptionsReview::accept()
{
    const auto& s = stage();
    const auto text =
        captions::draftText(draft_, s.first_call, s.last_call, [this](const captions::DraftCall& call) {
            return isTaken(static_cast<std::size_t>(&call - draft_.calls.data()));
        });
    std::vector<int> line_of_call(draft_.calls.size(), 0);
    for (std::size_t c = s.first_call; c < s.last_call; ++c) {
        line_of_call[c] = static_cast<int>(c - s.first_call) + 1;
    }
    const auto before = document_.prepared().road.notes.size();
    const auto places = [&] {
        std::vector<pace::Mark> marks;
        for (const auto& place :
            captions::draftPlaces(draft_, line_of_call, document_.prepared().notes, stage::kUsualLead_s)) {
            marks.push_back({place.note, place.media_s, true});
        }
        return marks;
    };
    const auto* pass = document_.pass();
    const bool go_is_known = makesPass() ? s.counted_down : pass != nullptr && pass->go_s > 0.0;
    document_.undoStack().beginMacro(tr("Take what was read in %1").arg(file_));
    try {
        if (makesPass() && places_->isChecked()) {
            addHeardPass();
        }
    } catch (const media::MediaError& error) {
        emit document_.message(QString::fromStdString(error.what()));
    }
    document_.takeDraft(QString::fromStdString(text), file_, places, places_->isChecked());
    QStringList told;
    if (places_->isChecked()) {
        told.append(sharpenPlaces(go_is_known));
    }
    document_.undoStack().endMacro();
    emit finished();
    if (!recording_.isEmpty() && QFileInfo(recording_) == QFileInfo(document_.mediaFile())) {
        emit heardTaken(recording_);
    }
    if (before > 0) {
        told.append(tr("The %n note(s) that were here gave way to these; Ctrl+Z brings them back.", nullptr,
            static_cast<int>(before)));
    }
    told.removeAll(QString());
    if (!told.isEmpty()) {
        emit document_.message(told.join(QLatin1Char(' ')));
    }
}

/// The captions may be of another recording than the pass in view: it is asked for, that one first.
void CaptionsReview::makeStages()
{
    const QString video = QFileDialog::getOpenFileName(
        this, tr("The recording that these captions are of"), document_.mediaFile());
    if (video.isEmpty()) {
        return;
    }
    try {
        const std::filesystem::path file = video.toStdString();
        rememberChosen(file);
        const auto stages = stage::stagesOf(
            draft_,
            [this](const captions::DraftCall& call) {
                return isTaken(static_cast<std::size_t>(&call - draft_.calls.data()));
            },
            document_.stage(), file, media::inspect(file).duration_s);
        const auto rally = document_.isUnnamed() ? file.parent_path() : document_.folder().parent_path();
        const auto folders =
            stage::addStages(rally, QFileInfo(file_).completeBaseName().toStdString(), stages);
        emit finished();
        emit document_.message(
            tr("%1 stages were made in %2. Each has its span of the recording as its pass; the "
               "board (F6) shows them.")
                .arg(folders.size())
                .arg(QString::fromStdString(rally.string())));
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    } catch (const media::MediaError& error) {
        emit document_.message(QString::fromStdString(error.what()));
    }
}

} // namespace brumefall::app
