#include "review/verdict_model.h"

#include "theme/theme.h"

#include <QHash>

#include <algorithm>

namespace brumefall::app {
namespace {

QString besides(const take::Verdict& verdict)
{
    QStringList words;
    if (verdict.repeated) {
        words << QObject::tr("repeated");
    }
    if (verdict.corrected) {
        words << QObject::tr("begun again");
    }
    if (verdict.hesitated) {
        words << QObject::tr("hesitated");
    }
    return words.join(QStringLiteral(", "));
}

/// What another take has of a note, against this one.
QString inTheOther(const take::Verdict& verdict, const take::Beside& beside)
{
    if (!beside.judged) {
        return QObject::tr("not due there");
    }
    if (!beside.heard) {
        return QObject::tr("missed there");
    }
    if (!verdict.heard()) {
        return QObject::tr("said there");
    }
    constexpr double kSame_s = 0.05;
    return beside.longer_lead_s > kSame_s
        ? QObject::tr("%1 s later there").arg(beside.longer_lead_s, 0, 'f', 1)
        : beside.longer_lead_s < -kSame_s
        ? QObject::tr("%1 s sooner there").arg(-beside.longer_lead_s, 0, 'f', 1)
        : QObject::tr("the same there");
}

} // namespace

void VerdictModel::showBeside(std::vector<take::Beside> besides)
{
    besides_ = std::move(besides);
    emit dataChanged(index(0, kOther), index(std::max(0, rowCount() - 1), kOther));
}

void VerdictModel::show(const stage::Take* take)
{
    beginResetModel();
    take_ = take;
    besides_.clear();
    reasons_ = take == nullptr ? std::vector<take::Reason>()
                               : take::reasons(take->plan, take->found, take->clock, take->verdicts);
    numbers_.clear();
    QHash<QString, int> number_of;
    if (take_ != nullptr) {
        for (const auto& note : take_->plan.notes) { // an echo has the number of what it says again
            const auto id = QString::fromStdString(note.id);
            const int number = note.echo_of.empty() ? static_cast<int>(number_of.size()) + 1 : 0;
            if (number > 0) {
                number_of.insert(id, number);
            }
            numbers_ << (number > 0
                    ? QString::number(number)
                    : QStringLiteral("(%1)").arg(number_of.value(QString::fromStdString(note.echo_of))));
        }
    }
    endResetModel();
}

int VerdictModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() || take_ == nullptr
        ? 0
        : static_cast<int>(std::min(take_->verdicts.size(), take_->plan.notes.size()));
}

int VerdictModel::columnCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : kColumns;
}

const take::Verdict* VerdictModel::verdict(int row) const
{
    return row >= 0 && row < rowCount() ? &take_->verdicts[static_cast<std::size_t>(row)] : nullptr;
}

int VerdictModel::rowOf(const QString& note) const
{
    for (int row = 0; row < rowCount(); ++row) {
        if (verdict(row)->id == note.toStdString()) {
            return row;
        }
    }
    return -1;
}

QVariant VerdictModel::data(const QModelIndex& index, int role) const
{
    const take::Verdict* v = verdict(index.row());
    if (v == nullptr) {
        return {};
    }
    if (role == Qt::UserRole) {
        return QString::fromStdString(v->id);
    }
    if (role == Qt::TextAlignmentRole) {
        const bool right = index.column() == kNumber || index.column() == kAhead;
        return static_cast<int>((right ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    }
    if (role == Qt::ForegroundRole && v->outside_take) {
        return theme().quiet;
    }
    if (role == Qt::ToolTipRole) {
        return index.column() == kWhy ? why(index.row()) : QVariant();
    }
    if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole) {
        return {};
    }
    switch (index.column()) {
    case kNumber: return numbers_.value(index.row());
    case kVerdict:
        return role != Qt::AccessibleTextRole ? QString()
            : v->isMisread()                  ? tr("misread")
                                              : QString::fromStdString(take::toString(v->timing));
    case kNote:
        return QString::fromStdString(take_->plan.notes[static_cast<std::size_t>(index.row())].spoken);
    case kWords: return QString::fromStdString(take::describe(*v));
    case kWhy: return why(index.row());
    case kAhead: return v->heard() ? QVariant(v->notes_ahead) : QVariant();
    case kOther: {
        const auto row = static_cast<std::size_t>(index.row());
        return row < besides_.size() ? inTheOther(*v, besides_[row]) : QString();
    }
    case kBeside: {
        QString text = besides(*v);
        for (const auto& misread : v->misread) {
            if (!take::isWrong(misread)) {
                text += (text.isEmpty() ? QString() : QStringLiteral("; "))
                    + (misread.sure >= take::kSure ? tr("said \u201c%1\u201d for \u201c%2\u201d")
                                                   : tr("perhaps \u201c%1\u201d for \u201c%2\u201d"))
                          .arg(QString::fromStdString(misread.said),
                              QString::fromStdString(misread.note_says));
            }
        }
        for (const auto& remark : take_->remarks) {
            if (remark.note == v->id) {
                text += (text.isEmpty() ? QString() : QStringLiteral("; "))
                    + tr("driver: %1")
                          .arg(QString::fromStdString(
                              remark.words.empty() ? remark.says : "\u201c" + remark.words + "\u201d"));
            }
        }
        return text;
    }
    default: return {};
    }
}

QVariant VerdictModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (orientation == Qt::Vertical) {
        return {};
    }
    if (role == Qt::TextAlignmentRole) {
        const bool right = section == kNumber || section == kAhead;
        return static_cast<int>((right ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    }
    if (role != Qt::DisplayRole) {
        return {};
    }
    const QStringList names{tr("#"), tr("early / late"), tr("note"), tr("what happened"), tr("why"),
        tr("ahead"), tr("in the other"), tr("besides")};
    return names.value(section);
}

QString VerdictModel::why(int row) const
{
    const auto r = static_cast<std::size_t>(row);
    return r < reasons_.size() && reasons_[r].cause != take::Cause::misread
        ? QString::fromStdString(reasons_[r].text)
        : QString();
}

bool VerdictModel::isOf(int row, Faults faults) const
{
    const take::Verdict* v = verdict(row);
    if (v == nullptr || faults == Faults::all) {
        return v != nullptr;
    }
    if (v->outside_take) {
        return false;
    }
    const bool misread = v->isMisread();
    const bool said_otherwise = std::any_of(
        v->misread.begin(), v->misread.end(), [](const auto& m) { return m.sure >= take::kSure; });
    switch (faults) {
    case Faults::any: return v->timing != take::Timing::on_time || said_otherwise;
    case Faults::late: return v->timing == take::Timing::late;
    case Faults::early: return v->timing == take::Timing::early;
    case Faults::missed: return v->timing == take::Timing::missed && !misread;
    case Faults::misread: return said_otherwise;
    case Faults::all: break;
    }
    return true;
}

int VerdictModel::next(int row, Faults faults, int step) const
{
    const int rows = rowCount();
    for (int i = 1; i <= rows; ++i) {
        const int at = ((row + step * i) % rows + rows) % rows;
        if (isOf(at, faults)) {
            return at;
        }
    }
    return -1;
}

int VerdictModel::worst() const
{
    int worst = -1;
    double most = 0.0;
    for (int row = 0; row < rowCount(); ++row) {
        if (!isOf(row, Faults::any)) {
            continue;
        }
        const take::Verdict& v = *verdict(row);
        // another road told is worse than none, that is worse than late, and late is worse than early
        const double bad = v.isMisread()       ? 100.0
            : v.timing == take::Timing::missed ? 50.0
            : v.timing == take::Timing::late   ? 10.0 + v.off_s
            : v.timing == take::Timing::early  ? 1.0 - v.off_s
                                               : 0.5;
        if (bad > most) {
            most = bad;
            worst = row;
        }
    }
    return worst;
}

int VerdictModel::planFaults() const
{
    return static_cast<int>(std::count_if(reasons_.begin(), reasons_.end(),
        [](const auto& reason) { return take::isPlanFault(reason.cause); }));
}

int VerdictModel::readingFaults() const
{
    return static_cast<int>(std::count_if(reasons_.begin(), reasons_.end(), [](const auto& reason) {
        return reason.cause != take::Cause::none && !take::isPlanFault(reason.cause);
    }));
}

} // namespace brumefall::app
