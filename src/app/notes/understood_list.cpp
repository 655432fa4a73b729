#include "notes/understood_list.h"

#include "theme/theme.h"
#include "widgets/signs.h"

#include <QPainter>

#include <algorithm>

namespace brumefall::app {
namespace {

QString words(std::string identifier)
{
    std::replace(identifier.begin(), identifier.end(), '_', ' ');
    return QString::fromStdString(identifier).replace(QStringLiteral("dont "), QStringLiteral("don't "));
}

QString gradeWords(const notes::Grade& grade, const std::string& modifier)
{
    return words(notes::toString(grade))
        + (modifier.empty() ? QString() : QStringLiteral(" ") + words(modifier));
}

QString featureWords(const notes::Feature& feature)
{
    QStringList parts;
    for (const std::string& part : {feature.relation,
             feature.count > 1 ? std::to_string(feature.count) : std::string(), feature.size, feature.what}) {
        if (!part.empty()) {
            parts << words(part);
        }
    }
    return parts.join(QLatin1Char(' ')) + (feature.maybe ? QStringLiteral(", maybe") : QString());
}

} // namespace

QString meaningOf(const notes::Note& note)
{
    QStringList parts;
    for (const auto& warning : note.warnings) {
        parts << words(warning).toUpper();
    }
    QString head;
    if (note.direction) {
        head = words(notes::toString(*note.direction)) + QLatin1Char(' ');
    }
    if (note.grade) {
        head += gradeWords(*note.grade, note.modifier);
    } else if (note.kind != notes::NoteKind::corner) {
        head += words(notes::toString(note.kind));
    }
    parts << head.trimmed();
    for (const std::string& part :
        {note.extent, note.visibility, note.surface, note.camber, note.width, note.gradient}) {
        if (!part.empty()) {
            parts << words(part);
        }
    }
    for (const auto& shape : note.shapes) {
        QString text = (shape.late ? QStringLiteral("late ") : QString()) + words(shape.kind);
        if (shape.to) {
            text += QStringLiteral(" to ") + gradeWords(*shape.to, shape.modifier);
        }
        for (const auto& feature : shape.features) {
            text += QLatin1Char(' ') + featureWords(feature);
        }
        parts << text;
    }
    for (const auto& feature : note.features) {
        parts << featureWords(feature);
    }
    for (const auto& list : {note.lines, note.speed}) {
        for (const auto& word : list) {
            parts << words(word);
        }
    }
    if (!note.corrected_from.empty()) {
        parts << QObject::tr("(said first: %1)").arg(QString::fromStdString(note.corrected_from));
    }
    return parts.join(QStringLiteral(" \u00b7 "));
}

UnderstoodModel::UnderstoodModel(Document& document, QObject* parent)
    : QAbstractListModel(parent)
    , document_(document)
{
}

void UnderstoodModel::reset()
{
    beginResetModel();
    rows_.clear();
    for (const auto& call : document_.prepared().notes.calls) {
        for (const auto& note : call.notes) {
            rows_.push_back({&note, call.line});
        }
    }
    endResetModel();
}

int UnderstoodModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

QVariant UnderstoodModel::data(const QModelIndex& index, int role) const
{
    if (!index.isValid() || index.row() >= rowCount()) {
        return {};
    }
    const Row& row = rows_[static_cast<std::size_t>(index.row())];
    switch (role) {
    case Qt::DisplayRole:
    case Qt::AccessibleTextRole: return meaningOf(*row.note);
    case Qt::UserRole: return QString::fromStdString(row.note->id);
    case Qt::UserRole + 1: {
        const auto& link = row.note->link;
        return link.kind == notes::LinkKind::distance ? tr("%1 m").arg(link.metres)
            : link.kind == notes::LinkKind::none      ? QString()
                                                      : words(notes::toString(link.kind));
    }
    default: return {};
    }
}

int UnderstoodModel::lineOf(int row) const
{
    return row >= 0 && row < rowCount() ? rows_[static_cast<std::size_t>(row)].line : 0;
}

int UnderstoodModel::firstRowOfLine(int line) const
{
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        if (rows_[i].line >= line) {
            return static_cast<int>(i);
        }
    }
    return -1;
}

UnderstoodDelegate::UnderstoodDelegate(Document& document, QObject* parent)
    : QStyledItemDelegate(parent)
    , document_(document)
{
}

void UnderstoodDelegate::paint(
    QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    const Theme& t = theme();
    painter->fillRect(option.rect, option.state.testFlag(QStyle::State_Selected) ? t.shelf : t.raised);
    const QRect r = option.rect;
    painter->setFont(typeface(type::kSmall));
    painter->setPen(t.quiet);
    painter->drawText(QRect(r.left() + 4, r.top(), 30, r.height()), Qt::AlignRight | Qt::AlignVCenter,
        QString::number(index.row() + 1));
    const auto& road = document_.prepared().road;
    if (static_cast<std::size_t>(index.row()) < road.notes.size()) {
        paintRoadPiece(*painter, QRectF(r.left() + 44, r.top() + 4, 40, r.height() - 8),
            road.notes[static_cast<std::size_t>(index.row())], t);
    }
    painter->setPen(t.quiet);
    const QRect link(r.right() - 66, r.top(), 58, r.height());
    painter->drawText(link, Qt::AlignRight | Qt::AlignVCenter, index.data(Qt::UserRole + 1).toString());
    painter->setFont(typeface(type::kText));
    painter->setPen(t.ink);
    const QRect text(r.left() + 96, r.top(), r.width() - 96 - 74, r.height());
    painter->drawText(text, Qt::AlignVCenter | Qt::TextWordWrap, index.data().toString());
    painter->setPen(t.panel);
    painter->drawLine(r.bottomLeft(), r.bottomRight());
}

QSize UnderstoodDelegate::sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const
{
    return {200, 46};
}

} // namespace brumefall::app
