#include "notes/notes_workspace.h"

#include "formats/files.h"
#include "theme/theme.h"
#include "widgets/gap_picture.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QLabel>
#include <QListView>
#include <QPainter>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSplitter>
#include <QTextBlock>
#include <QVBoxLayout>

namespace brumefall::app {
namespace {

QString words(std::string identifier)
{
    std::replace(identifier.begin(), identifier.end(), '_', ' ');
    return QString::fromStdString(identifier);
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
    return parts.join(QLatin1Char(' ')) + (feature.maybe ? QObject::tr(", maybe") : QString());
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
        QString text = (shape.late ? QObject::tr("late ") : QString()) + words(shape.kind);
        if (shape.to) {
            text += QObject::tr(" to ") + gradeWords(*shape.to, shape.modifier);
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

NotesWorkspace::NotesWorkspace(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , editor_(new QPlainTextEdit)
    , list_(new QListView)
    , style_(new QLabel)
    , unknown_(new QLabel)
    , model_(new UnderstoodModel(document, this))
{
    setObjectName(QStringLiteral("notesWorkspace"));
    editor_->setObjectName(QStringLiteral("notesEditor"));
    editor_->setAccessibleName(tr("Notes, one call a line"));
    editor_->setFont(typeface(17));
    editor_->setStyleSheet(QStringLiteral("QPlainTextEdit { font-size: 17px; padding: 6px; }"));
    editor_->setPlaceholderText(tr("Write or paste the notes here, one call a line:\n\nright four long into "
                                   "left three 60\ncaution square left 100"));
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
    auto* import = new QPushButton(tr("Notes from a file\u2026"));
    import->setObjectName(QStringLiteral("importNotes"));
    connect(import, &QPushButton::clicked, this, &NotesWorkspace::importFile);

    auto* left = new QWidget;
    auto* left_layout = new QVBoxLayout(left);
    left_layout->setContentsMargins(10, 8, 5, 8);
    auto* left_head = new QHBoxLayout;
    auto* as_written = new QLabel(tr("As you write them"));
    as_written->setProperty("large", true);
    left_head->addWidget(as_written);
    left_head->addStretch();
    left_head->addWidget(import);
    left_layout->addLayout(left_head);
    left_layout->addWidget(editor_);
    auto* right = new QWidget;
    auto* right_layout = new QVBoxLayout(right);
    right_layout->setContentsMargins(5, 8, 10, 8);
    auto* as_understood = new QLabel(tr("As they are understood"));
    as_understood->setProperty("large", true);
    as_understood->setMinimumHeight(34);
    right_layout->addWidget(as_understood);
    right_layout->addWidget(style_);
    right_layout->addWidget(list_, 1);
    right_layout->addWidget(unknown_);
    auto* splitter = new QSplitter;
    splitter->addWidget(left);
    splitter->addWidget(right);
    splitter->setSizes({560, 600});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(splitter);

    pause_.setSingleShot(true);
    pause_.setInterval(120);
    connect(editor_, &QPlainTextEdit::textChanged, this, [this] {
        if (!showing_) {
            pause_.start();
        }
    });
    connect(&pause_, &QTimer::timeout, this, &NotesWorkspace::takeText);
    connect(editor_, &QPlainTextEdit::cursorPositionChanged, this, [this] {
        const int row = model_->firstRowOfLine(editor_->textCursor().blockNumber() + 1);
        if (row >= 0) {
            list_->setCurrentIndex(model_->index(row));
        }
    });
    connect(list_, &QListView::clicked, this, [this](const QModelIndex& index) {
        document_.setCurrentNote(index.data(Qt::UserRole).toString());
        const QTextBlock block = editor_->document()->findBlockByNumber(model_->lineOf(index.row()) - 1);
        editor_->setTextCursor(QTextCursor(block));
    });
    connect(&document_, &Document::notesChanged, this, &NotesWorkspace::showText);
    connect(&document_, &Document::planChanged, this, &NotesWorkspace::showUnderstanding);
}

void NotesWorkspace::takeText()
{
    document_.setNotesText(editor_->toPlainText());
}

void NotesWorkspace::showText()
{
    const auto text = QString::fromStdString(document_.stage().text);
    if (editor_->toPlainText() != text) {
        showing_ = true;
        editor_->setPlainText(text);
        showing_ = false;
    }
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
    style_->setText(tr("%1 notes. %2, %3.")
                        .arg(model_->rowCount())
                        .arg(direction_first ? tr("Direction first") : tr("Number first"),
                            ascending ? tr("a higher grade is faster") : tr("a lower grade is faster")));
    style_->setToolTip(why.trimmed());
    QList<QTextEdit::ExtraSelection> marks;
    QStringList unknown;
    for (const auto& item : parsed.unknown) {
        const QTextBlock block = editor_->document()->findBlockByNumber(item.line - 1);
        if (!block.isValid()) {
            continue;
        }
        // the core counts bytes of the trimmed line; the editor counts UTF-16 units of the whole line
        const int at =
            static_cast<int>(block.text().indexOf(QString::fromStdString(item.text), 0, Qt::CaseInsensitive));
        QTextEdit::ExtraSelection mark;
        mark.cursor = QTextCursor(block);
        mark.cursor.setPosition(block.position() + std::max(0, at));
        mark.cursor.movePosition(
            QTextCursor::Right, QTextCursor::KeepAnchor, static_cast<int>(item.text.size()));
        mark.format.setUnderlineStyle(QTextCharFormat::WaveUnderline);
        mark.format.setUnderlineColor(theme().ink);
        marks << mark;
        if (unknown.size() < 3) {
            unknown << (item.suggestion.empty()
                    ? tr("Line %1: \u201c%2\u201d is kept but not understood.")
                          .arg(item.line)
                          .arg(QString::fromStdString(item.text))
                    : tr("Line %1: \u201c%2\u201d is not understood. Did you mean \u201c%3\u201d?")
                          .arg(item.line)
                          .arg(QString::fromStdString(item.text), QString::fromStdString(item.suggestion)));
        }
    }
    for (const auto& diagnostic : parsed.diagnostics) {
        if (unknown.size() < 4) {
            unknown
                << tr("Line %1: %2.").arg(diagnostic.line).arg(QString::fromStdString(diagnostic.message));
        }
    }
    editor_->setExtraSelections(marks);
    unknown_->setText(unknown.isEmpty() && parsed.words > 0
            ? tr("Every word is understood. Next: give each note its place (F2).")
            : unknown.join(QLatin1Char('\n')));
}

void NotesWorkspace::importFile()
{
    const QString file = QFileDialog::getOpenFileName(
        this, tr("Notes from a file"), QString(), tr("Notes (*.txt);;All files (*)"));
    if (file.isEmpty()) {
        return;
    }
    try {
        document_.setNotesText(QString::fromStdString(formats::readText(file.toStdString())));
    } catch (const formats::FormatError& error) {
        emit document_.message(tr("%1, line %2: %3")
                                   .arg(QString::fromStdString(error.file()))
                                   .arg(error.line())
                                   .arg(QString::fromStdString(error.message())));
    }
}

} // namespace brumefall::app
