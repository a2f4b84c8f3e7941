import '@testing-library/jest-dom/vitest';
import '../i18n';
