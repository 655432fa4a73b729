#include "review/tuning_panel.h"

#include "formats/files.h"
#include "plan/driver_files.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/when_seen.h"

#include <QTableWidget>

#include <algorithm>
#include <array>

namespace brumefall::app {
namespace {

QString nameOf(plan::LeadClass lead_class)
{
    const std::array names{QObject::tr("fast corners"), QObject::tr("medium corners"),
        QObject::tr("slow corners"), QObject::tr("hazards")};
    return names.at(static_cast<std::size_t>(lead_class));
}

QString seconds(double value)
{
    return QObject::tr("%1 s").arg(value, 0, 'f', 2);
}

} // namespace

TuningPanel::TuningPanel(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , table_(new QTableWidget(static_cast<int>(plan::kLeadClasses), kColumns))
    , says_(new QLabel)
    , reader_(new QLabel)
    , when_seen_(new WhenSeen(this, [this] { fill(); }))
{
    setObjectName(QStringLiteral("tuningPanel"));
    table_->setObjectName(QStringLiteral("tuningTable"));
    table_->setAccessibleName(tr("Leads by class of notes"));
    asRows(table_);
    table_->setHorizontalHeaderLabels({tr("class"), tr("lead now"), tr("driver wishes"), tr("likely between"),
        tr("remarks"), tr("what moves"), tr("read in this take")});
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->verticalHeader()->setDefaultSectionSize(26);
    table_->setFixedHeight(30 + 26 * static_cast<int>(plan::kLeadClasses) + 18);
    says_->setObjectName(QStringLiteral("tuningSays"));
    says_->setWordWrap(true);
    reader_->setObjectName(QStringLiteral("tuningReader"));
    reader_->setWordWrap(true);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(says_);
    layout->addWidget(table_);
    auto* buttons = new FlowLayout(6);
    take_one_ = addButton(buttons, tr("Take this lead"), "tuningTake", [this] { takeChosen(); });
    bindButton(take_one_, QKeyCombination(Qt::Key_T));
    take_all_ = addButton(buttons, tr("Take all"), "tuningTakeAll", [this] { takeAll(); });
    take_reader_ = addButton(buttons, tr("Take the reader"), "tuningTakeReader", [this] { takeReader(); });
    keep_ = addButton(
        buttons, tr("Keep this take's leads as a driver"), "tuningKeep", [this] { keepAsDriver(); });
    layout->addLayout(buttons);
    layout->addWidget(reader_);
    layout->addStretch();
    connect(&document_, &Document::planChanged, when_seen_, &WhenSeen::ask);
    connect(&document_, &Document::takesChanged, when_seen_, &WhenSeen::ask);
}

void TuningPanel::showTake(const stage::Take* take)
{
    read_ =
        take == nullptr ? tune::ReadLeads{} : tune::leadsRead(document_.stage(), document_.prepared(), *take);
    take_name_ = take == nullptr ? QString() : QString::fromStdString(take->reader);
    when_seen_->ask();
}

void TuningPanel::fill()
{
    tuning_ = tune::tune(
        document_.stage(), document_.prepared(),
        [this](const stage::Stage& stage) { return document_.preparedAs(stage); }, document_.takes());
    bool contrary = false;
    for (std::size_t c = 0; c < plan::kLeadClasses; ++c) {
        const auto lead_class = static_cast<plan::LeadClass>(c);
        const auto change = std::find_if(tuning_.classes.begin(), tuning_.classes.end(),
            [&](const auto& one) { return one.fit.lead_class == lead_class; });
        const bool fitted = change != tuning_.classes.end();
        contrary = contrary || (fitted && change->fit.contrary);
        const auto& read = read_.at(c);
        const std::array<QString, kColumns> texts{nameOf(lead_class),
            seconds(leadOf(document_.stage().driver, lead_class)),
            !fitted                    ? tr("nothing said")
                : change->fit.contrary ? tr("%1, but it contradicts itself").arg(seconds(change->fit.after_s))
                                       : seconds(change->fit.after_s),
            fitted ? tr("%1 and %2 s").arg(change->fit.low_s, 0, 'f', 2).arg(change->fit.high_s, 0, 'f', 2)
                   : QString(),
            fitted ? QString::number(change->fit.remarks) : QStringLiteral("0"),
            fitted ? tr("%1 calls, %2 m sooner").arg(change->moved_calls).arg(change->metres, 0, 'f', 0)
                   : QString(),
            read.notes > 0 ? tr("%1 s in %2 notes").arg(read.lead_s, 0, 'f', 2).arg(read.notes) : QString()};
        for (int column = 0; column < kColumns; ++column) {
            table_->setItem(static_cast<int>(c), column,
                new QTableWidgetItem(texts.at(static_cast<std::size_t>(column))));
        }
    }
    if (table_->currentRow() < 0) {
        table_->selectRow(0);
    }
    says_->setText(
        tuning_.classes.empty() ? tr(
            "The driver has said nothing yet. Next: choose a note of a take (U goes back) and press what the "
            "driver says of it: earlier (E), later (L), good (K); or let the driver hear the calls (F4, the "
            "driver's ear).")
            : contrary
            ? tr("Some of what was said contradicts itself: ask the driver before you take such a lead.")
            : tr("From what the driver said. Next: take a lead (T); the plan follows at once, Ctrl+Z takes "
                 "it back."));
    const bool any = !tuning_.classes.empty();
    take_one_->setEnabled(any);
    take_all_->setEnabled(any);
    take_reader_->setEnabled(tuning_.reader.has_value());
    keep_->setEnabled(
        std::any_of(read_.begin(), read_.end(), [](const auto& read) { return read.notes > 0; }));
    reader_->setText(tuning_.reader
            ? tr("The reader, from %1: %2 syllables a second, at most %3; a breath of %4 s; "
                 "a note ends within %5 s of the plan two times in three.")
                  .arg(tr("%n own full take(s)", nullptr, tuning_.reader->takes))
                  .arg(tuning_.reader->reader.rate_syll_s, 0, 'f', 1)
                  .arg(tuning_.reader->reader.fastest_syll_s, 0, 'f', 1)
                  .arg(tuning_.reader->reader.breath_s, 0, 'f', 2)
                  .arg(tuning_.reader->spread_s, 0, 'f', 2)
            : tr("The reader is measured from own takes of the whole stage; there is none yet."));
}

void TuningPanel::takeChosen()
{
    const auto lead_class = static_cast<plan::LeadClass>(std::max(0, table_->currentRow()));
    for (const auto& change : tuning_.classes) {
        if (change.fit.lead_class == lead_class) {
            document_.setDriver(tune::withLeads(document_.stage().driver, std::span(&change.fit, 1)),
                tr("Take the driver's lead for %1").arg(nameOf(lead_class)));
            return;
        }
    }
    emit document_.message(tr("The driver has said nothing of %1 yet.").arg(nameOf(lead_class)));
}

void TuningPanel::takeAll()
{
    std::vector<tune::ClassFit> fits;
    for (const auto& change : tuning_.classes) {
        fits.push_back(change.fit);
    }
    document_.setDriver(tune::withLeads(document_.stage().driver, fits), tr("Take the driver's leads"));
}

void TuningPanel::takeReader()
{
    if (tuning_.reader) {
        auto reader = tuning_.reader->reader;
        if (tuning_.reader->spread_s > 0.0) {
            reader.spread_s = tuning_.reader->spread_s;
        }
        document_.setReader(reader, tr("Take the reader as the takes show it"));
    }
}

/// The leads that a crew reads with, to plan with on any stage.
void TuningPanel::keepAsDriver()
{
    plan::Driver driver = document_.stage().driver;
    for (std::size_t c = 0; c < plan::kLeadClasses; ++c) {
        if (read_.at(c).notes > 0) {
            leadOf(driver, static_cast<plan::LeadClass>(c)) = std::max(0.05, read_.at(c).lead_s);
        }
    }
    const QString name = tr("As read by %1").arg(take_name_).left(40);
    try {
        saveDriver(name, driver);
        emit document_.message(tr("Kept as the driver \u201c%1\u201d: choose it in Plan (F3).").arg(name));
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
}

} // namespace brumefall::app
