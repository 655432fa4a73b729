#include "log/takes_page.h"

#include "log/rows.h"
#include "widgets/keys.h"

#include <QLineEdit>
#include <QSignalBlocker>

#include <algorithm>
#include <utility>

namespace brumefall::app {
namespace {

QString whatItWas(const log::TakeSummary& take)
{
    QString words = QString::fromStdString(take.reader);
    if (!take.whole && !take.dud) {
        words += QObject::tr(", a part");
    }
    return words;
}

} // namespace

TakesPage::TakesPage(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , table_(makeRows("takesTable", tr("Takes"),
          {tr("take"), tr("called"), tr("pass"), tr("read by"), tr("on time"), tr("late"), tr("missed"),
              tr("misread"), tr("drift a minute"), tr("rate"), tr("remark")},
          kComment))
    , title_(new QLineEdit)
    , comment_(new QLineEdit)
{
    setObjectName(QStringLiteral("takesPage"));
    title_->setObjectName(QStringLiteral("takeTitle"));
    title_->setAccessibleName(tr("What the take is called"));
    title_->setPlaceholderText(tr("what it is called"));
    comment_->setObjectName(QStringLiteral("takeComment"));
    comment_->setAccessibleName(tr("A remark on the take"));
    comment_->setPlaceholderText(tr("a remark on it"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(table_, 1);
    auto* row = new QHBoxLayout;
    bindButton(addButton(row, tr("Open in Review"), "openTake", [this] { openChosen(); }),
        QKeyCombination(Qt::Key_O));
    bindButton(addButton(row, tr("Into the trash"), "removeTake", [this] { removeChosen(); }),
        QKeyCombination(Qt::Key_Delete));
    bindButton(addButton(row, tr("Name it"), "nameTake",
                   [this] {
                       title_->setFocus();
                       title_->selectAll();
                   }),
        QKeyCombination(Qt::Key_N));
    row->addWidget(title_, 1);
    row->addWidget(comment_, 2);
    layout->addLayout(row);
    connect(table_, &QTableWidget::cellDoubleClicked, this, &TakesPage::openChosen);
    connect(table_, &QTableWidget::cellActivated, this, &TakesPage::openChosen); // by Enter
    connect(table_, &QTableWidget::currentCellChanged, this, &TakesPage::showTexts);
    for (QLineEdit* line : {title_, comment_}) {
        connect(line, &QLineEdit::editingFinished, this, &TakesPage::keepTexts);
        connect(line, &QLineEdit::returnPressed, table_, qOverload<>(&QWidget::setFocus));
    }
}

void TakesPage::show(const log::Filter& filter)
{
    const QString before = chosen();
    const int row_before = std::max(0, table_->currentRow());
    const auto& takes = document_.takes();
    const QSignalBlocker quiet(table_); // an empty table would take the focus from a line being typed in
    table_->setRowCount(0);
    int row = 0;
    int again = -1;
    for (auto it = takes.rbegin(); it != takes.rend(); ++it) {
        const auto take = log::summaryOf(*it);
        if (!filter.takes(take)) {
            continue;
        }
        const auto& f = take.figures;
        const bool judged = !it->verdicts.empty();
        const QString name = QString::fromStdString(take.name);
        setRow(table_, row,
            {name, QString::fromStdString(take.title), QString::fromStdString(take.pass), whatItWas(take),
                !judged        ? tr("not judged")
                    : take.dud ? tr("nothing heard")
                               : tr("%1 of %2").arg(f.on_time).arg(f.judged),
                QString::number(f.late), QString::number(f.missed), QString::number(f.misread),
                f.tells_drift ? tr("%1 s").arg(f.drift_s_per_min, 0, 'f', 2) : QString(),
                tr("%1 syll/s").arg(f.rate_syll_s, 0, 'f', 1), QString::fromStdString(take.comment)});
        again = name == before ? row : again;
        ++row;
    }
    chooseRow(table_, again >= 0 ? again : row_before);
    showTexts();
}

QString TakesPage::chosen() const
{
    const auto* item = table_->item(table_->currentRow(), kTake);
    return item == nullptr ? QString() : item->text();
}

void TakesPage::openChosen()
{
    if (const QString name = chosen(); !name.isEmpty()) {
        emit takeChosen(name);
    }
}

void TakesPage::removeChosen()
{
    if (const QString name = chosen(); !name.isEmpty()) {
        document_.removeTake(name);
    }
}

void TakesPage::showTexts()
{
    const bool anew = std::exchange(shown_, chosen()) != shown_;
    const auto& takes = document_.takes();
    const auto take = std::find_if(
        takes.begin(), takes.end(), [&](const stage::Take& t) { return t.name == shown_.toStdString(); });
    const bool there = take != takes.end();
    title_->setEnabled(there);
    comment_->setEnabled(there);
    const auto put = [&](QLineEdit* line, const std::string& text) {
        if (anew || !line->isModified()) { // else it is being typed
            line->setText(QString::fromStdString(text));
        }
    };
    put(title_, there ? take->title : std::string());
    put(comment_, there ? take->comment : std::string());
}

void TakesPage::keepTexts()
{
    title_->setModified(false);
    comment_->setModified(false);
    document_.setTakeTexts(shown_, title_->text(), comment_->text());
}

} // namespace brumefall::app
