#include "plan/advice_panel.h"

#include "plan/grouping.h"
#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/when_seen.h"

#include <QListWidget>

#include <algorithm>
#include <cmath>
#include <utility>

namespace brumefall::app {
namespace {

constexpr auto kNone = static_cast<std::size_t>(-1);

std::ptrdiff_t outOfWindow(const plan::Plan& plan)
{
    return std::count_if(plan.notes.begin(), plan.notes.end(),
        [](const plan::PlannedNote& n) { return n.status != plan::Status::on_time; });
}

} // namespace

AdvicePanel::AdvicePanel(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , list_(new QListWidget)
{
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    list_->setObjectName(QStringLiteral("squeezeList"));
    list_->setAccessibleName(tr("Where it cannot be done"));
    list_->setWordWrap(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    layout->addWidget(list_, 1);
    auto* buttons = new FlowLayout;
    const auto add = [&](const QString& text, const char* name, Qt::Key key, auto action) {
        auto* button = addButton(buttons, text, name, action);
        makeCompact(button);
        bindButton(button, QKeyCombination(key));
        return button;
    };
    accept_ = add(tr("Do this"), "acceptRemedy", Qt::Key_Y, [this] { acceptRemedy(); });
    breaths_ = add(tr("Where to breathe?"), "proposeBreaths", Qt::Key_B, [this] { emit breathsWanted(); });
    add(tr("Let all go"), "clearShaping", Qt::Key_Z, [this] { document_.clearShaping(); });
    layout->addLayout(buttons);
    const auto open = [this](QListWidgetItem* item) {
        document_.setCurrentNote(item->data(Qt::UserRole).toString());
    };
    connect(list_, &QListWidget::itemClicked, this, open);
    connect(list_, &QListWidget::itemActivated, this, open);
    connect(list_, &QListWidget::currentRowChanged, this, [this] {
        accept_->setEnabled(chosenRemedy() != nullptr);
        if (!showing_) {
            preview();
        }
    });
    auto* when_seen = new WhenSeen(this, [this] { showPlan(); });
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
}

QString AdvicePanel::headingOf(const plan::Squeeze& squeeze) const
{
    const int first = document_.numberOf(squeeze.first);
    const int last = document_.numberOf(squeeze.last);
    QString text = first == last ? tr("Note %1").arg(first) : tr("Notes %1 to %2").arg(first).arg(last);
    text += tr(": %1 s short").arg(squeeze.short_s, 0, 'f', 1);
    if (!squeeze.cause.empty()) {
        text += QStringLiteral(". %1").arg(QString::fromStdString(squeeze.cause));
    }
    if (squeeze.rate_needed > document_.stage().reader.rate_syll_s + 0.05) {
        text += tr("; %1 syllables a second would do").arg(squeeze.rate_needed, 0, 'f', 1);
    }
    return text + QLatin1Char('.');
}

void AdvicePanel::addRow(
    const QString& text, const std::string& note, std::size_t squeeze, std::size_t remedy)
{
    auto* item = new QListWidgetItem(text);
    item->setData(Qt::UserRole, QString::fromStdString(note));
    if (remedy == kNone) {
        item->setFont(typeface(type::kText, true));
    }
    list_->addItem(item);
    remedy_of_row_.emplace_back(squeeze, remedy);
}

/// Each run that does not fit, with its cause, and under it what would help, best first.
void AdvicePanel::showPlan()
{
    if (!proposed_.empty()) {
        emit previewed(nullptr);
    }
    proposed_.clear();
    breaths_->setText(tr("Where to breathe? (B)"));
    const auto& plan = document_.prepared().plan;
    showing_ = true; // what is chosen here the user has not chosen
    list_->clear();
    remedy_of_row_.clear();
    for (std::size_t s = 0; s < plan.squeezes.size(); ++s) {
        const auto& squeeze = plan.squeezes[s];
        addRow(headingOf(squeeze), squeeze.first, s, kNone);
        for (std::size_t r = 0; r < squeeze.remedies.size(); ++r) {
            addRow(QStringLiteral("    \u2192 ") + QString::fromStdString(squeeze.remedies[r].text),
                squeeze.first, s, r);
        }
    }
    if (plan.squeezes.empty()) {
        remedy_of_row_.emplace_back(kNone, kNone);
        list_->addItem(plan.notes.empty() ? tr("Write the notes first (F1).")
                                          : tr("Nowhere: nothing comes too late. Next: read it (F4)."));
    } else if (remedy_of_row_.size() > 1) {
        list_->setCurrentRow(1);
    }
    addWeakest();
    accept_->setEnabled(chosenRemedy() != nullptr);
    showing_ = false;
}

/// Notes that are planned in time and would often not be: by the reader's unevenness and how sure their
/// places are.
void AdvicePanel::addWeakest()
{
    constexpr double kWeak = 0.85;
    constexpr std::size_t kMost = 5;
    const auto& notes = document_.prepared().plan.notes;
    std::vector<const plan::PlannedNote*> weak;
    for (const auto& note : notes) {
        if (note.status == plan::Status::on_time && note.in_time_share < kWeak) {
            weak.push_back(&note);
        }
    }
    std::stable_sort(weak.begin(), weak.end(),
        [](const auto* a, const auto* b) { return a->in_time_share < b->in_time_share; });
    weak.resize(std::min(weak.size(), kMost));
    for (const auto* note : weak) {
        addRow(tr("Weak: note %1, %2. In time %3 times in 100; it holds up to %4 times the pace.")
                   .arg(document_.numberOf(note->id))
                   .arg(QString::fromStdString(note->spoken))
                   .arg(std::lround(100.0 * note->in_time_share))
                   .arg(note->holds_to_pace, 0, 'f', 2),
            note->id, kNone, kNone);
    }
}

const plan::Remedy* AdvicePanel::chosenRemedy() const
{
    const int row = list_->currentRow();
    if (row < 0 || static_cast<std::size_t>(row) >= remedy_of_row_.size()) {
        return nullptr;
    }
    const auto [squeeze, remedy] = remedy_of_row_[static_cast<std::size_t>(row)];
    return remedy == kNone || squeeze == kNone
        ? nullptr
        : &document_.prepared().plan.squeezes[squeeze].remedies[remedy];
}

void AdvicePanel::preview()
{
    const auto* remedy = chosenRemedy();
    if (remedy != nullptr) {
        after_ =
            document_.preparedAs(stage::withRemedy(document_.stage(), document_.prepared().notes, *remedy));
    }
    emit previewed(remedy == nullptr ? nullptr : &after_.plan);
}

void AdvicePanel::acceptRemedy()
{
    if (const auto* remedy = chosenRemedy()) {
        const auto chosen = *remedy; // the plan that it belongs to is about to change
        document_.acceptRemedy(chosen);
    }
}

void AdvicePanel::proposeBreaths(std::size_t first, std::size_t last)
{
    if (!proposed_.empty()) {
        const auto begins = std::exchange(proposed_, {});
        document_.setCalls(begins, tr("Breathe where it is proposed"));
        return;
    }
    const auto& plan = document_.prepared().plan;
    const auto proposal = plan::proposeGrouping(plan, document_.stage().reader, first, last);
    if (proposal.changed == 0) {
        emit document_.message(tr("The breaths are where they are best already."));
        return;
    }
    after_ = document_.preparedAs(
        stage::withCalls(document_.stage(), document_.prepared().notes, proposal.begins));
    const auto& after = after_;
    proposed_ = proposal.begins;
    breaths_->setText(tr("Breathe so (B)"));
    const bool whole = first == 0 && last == plan.notes.size();
    emit document_.message(tr(
        "Proposed%6: %1 breaths elsewhere, %2 calls instead of %3; out of their windows then %4 notes "
        "instead of %5: the dashed calls in the picture. B once more takes it; any other change forgets it.")
                               .arg(proposal.changed)
                               .arg(after.plan.calls.size())
                               .arg(plan.calls.size())
                               .arg(outOfWindow(after.plan))
                               .arg(outOfWindow(plan))
                               .arg(whole ? QString() : tr(" for this stretch")));
    emit previewed(&after_.plan);
}

} // namespace brumefall::app
