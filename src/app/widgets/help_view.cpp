#include "widgets/help_view.h"

#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QFile>
#include <QImage>
#include <QTextBlock>
#include <QTextBrowser>
#include <QTextCursor>
#include <QTextTable>

#include <algorithm>
#include <set>

namespace brumefall::app {

namespace {

/// Shows the guide's pictures as wide as it is.
class GuideText : public QTextBrowser {
public:
    using QTextBrowser::QTextBrowser;

protected:
    QVariant loadResource(int type, const QUrl& name) override
    {
        constexpr int kMargin = 60;
        constexpr int kWidest = 900;
        if (type != QTextDocument::ImageResource) {
            return {};
        }
        const QImage picture(QStringLiteral(":/") + name.path());
        const int wide = std::clamp(width() - kMargin, 200, kWidest);
        return picture.isNull() ? QVariant() : picture.scaledToWidth(wide, Qt::SmoothTransformation);
    }
};

} // namespace

HelpView::HelpView(QWidget* parent)
    : QWidget(parent)
    , text_(new GuideText)
{
    setObjectName(QStringLiteral("helpView"));
    text_->setObjectName(QStringLiteral("helpText"));
    text_->setOpenLinks(false);
    text_->setFont(typeface(type::kText));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addWidget(text_, 1);
    auto* row = new QHBoxLayout;
    auto* back = addButton(row, tr("Back"), "helpBack", [this] { emit closed(); });
    bindButton(back, QKeyCombination(Qt::Key_Escape));
    row->addStretch();
    layout->addLayout(row);
    beginAt(this, text_);
}

void HelpView::showKeys(const QWidget& window, const QString& screen)
{
    QString html = tr("<h2>Keys in %1</h2><table cellpadding=\"4\">").arg(screen);
    std::set<QString> said;
    for (const KeyBinding* binding : keysNow(&window)) {
        const QString key = keyName(binding->key());
        if (said.insert(key + binding->does()).second) {
            html += QStringLiteral("<tr><td align=\"right\"><b>%1</b></td><td>%2</td></tr>")
                        .arg(key.toHtmlEscaped(), binding->does().toHtmlEscaped());
        }
    }
    html +=
        tr("</table><p>Letters act wherever no text is being typed; Esc leaves a text. Enter presses what "
           "has the focus and opens the chosen row; Tab goes on to the next thing.</p>");
    text_->setHtml(html);
}

void HelpView::showGuide()
{
    QFile file(QStringLiteral(":/guide.md"));
    if (file.open(QIODevice::ReadOnly)) {
        text_->setMarkdown(QString::fromUtf8(file.readAll()));
        constexpr int kBetween = 8; // paragraphs
        for (auto block = text_->document()->begin(); block.isValid(); block = block.next()) {
            QTextCursor at(block);
            if (at.currentTable() == nullptr) {
                auto format = block.blockFormat();
                format.setBottomMargin(kBetween);
                at.setBlockFormat(format);
            }
        }
        text_->moveCursor(QTextCursor::Start);
    }
}

} // namespace brumefall::app
